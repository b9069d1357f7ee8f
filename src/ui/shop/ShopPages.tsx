import { StepPages } from '../shell/StepPages';

const PAGES = [['', 'Containers'], ['materials', 'Boards and liners']] as const;

/** The pages of shopping. */
export const ShopPages = ({ projectId, roomId, active }: { projectId: string; roomId: string; active: (typeof PAGES)[number][0] }) => (
  <StepPages of="shopping" base={`/projects/${projectId}/rooms/${roomId}/shop`} pages={PAGES} active={active} />
);
