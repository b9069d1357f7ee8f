import { StepPages } from '../shell/StepPages';

const PAGES = [
  ['', 'On paper'],
  ['home', 'Whole home'],
  ['compare', 'Compare'],
  ['moves', 'Moves'],
  ['seasons', 'Seasons'],
] as const;
export type PlacePage = (typeof PAGES)[number][0];

/** The pages of placing. */
export const PlacePages = ({
  projectId,
  roomId,
  active,
}: {
  projectId: string;
  roomId: string;
  active: PlacePage;
}) => (
  <StepPages
    of="placing"
    base={`/projects/${projectId}/rooms/${roomId}/place`}
    pages={PAGES}
    active={active}
  />
);
