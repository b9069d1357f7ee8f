import { StepPages } from '../shell/StepPages';

const PAGES = [
  ['', 'Bench'],
  ['count', 'Count'],
  ['dates', 'Dates'],
  ['lists', 'What waits'],
  ['results', 'Results'],
] as const;
export type SortPage = (typeof PAGES)[number][0];

/** The pages of sorting. */
export const SortPages = ({
  projectId,
  roomId,
  active,
}: {
  projectId: string;
  roomId: string;
  active: SortPage;
}) => (
  <StepPages
    of="sorting"
    base={`/projects/${projectId}/rooms/${roomId}/sort`}
    pages={PAGES}
    active={active}
  />
);
