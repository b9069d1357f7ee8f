import { StepPages } from '../shell/StepPages';

const PAGES = [
  ['', 'Shopping list'],
  ['materials', 'Materials'],
  ['money', 'Money of the home'],
] as const;

/** The pages of shopping. */
export const ShopPages = ({
  projectId,
  roomId,
  active,
}: {
  projectId: string;
  roomId: string;
  active: (typeof PAGES)[number][0];
}) => (
  <StepPages
    of="shopping"
    base={`/projects/${projectId}/rooms/${roomId}/shop`}
    pages={PAGES}
    active={active}
  />
);
