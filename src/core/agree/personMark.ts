/** A person's own mark: a colour, and a shape beside it for those who do not tell colours apart. */
export const markShapes = ['circle', 'square', 'triangle', 'diamond', 'star', 'cross'] as const;

export type MarkShape = (typeof markShapes)[number];

export const markColours = ['blue', 'red', 'green', 'yellow', 'purple', 'grey'] as const;

export type MarkColour = (typeof markColours)[number];

export const COLOUR_INKS: Readonly<Record<MarkColour, string>> = {
  blue: '#1f5fa8',
  red: '#b3261e',
  green: '#2f7d3b',
  yellow: '#d9a400',
  purple: '#7a3fa0',
  grey: '#5c5c5c',
};

export interface PersonMark {
  readonly colour: MarkColour;
  readonly shape: MarkShape;
}
