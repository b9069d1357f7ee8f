import type { ContainerProduct } from './records';

interface CatalogueQuestion {
  /** Every word must be found in what a container is called, is, is made of or can do. */
  readonly words: string;
  /** Only what goes into this space, turned or not; null: any size. */
  readonly into: {
    readonly widthMm: number;
    readonly depthMm: number;
    readonly heightMm: number;
  } | null;
}

/** The containers that answer to the words and go into the space, in their order. */
export function findInCatalogue<C extends ContainerProduct>(
  containers: readonly C[],
  { words, into }: CatalogueQuestion,
): C[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return containers.filter((container) => {
    const said = [
      container.name,
      container.kind,
      container.material,
      container.line,
      container.colour,
      container.lid ? 'lid' : 'open',
      container.clear ? 'see-through clear' : '',
      container.stackable ? 'stacks stackable' : '',
      container.shape === 'round' ? 'round' : '',
    ]
      .join(' ')
      .toLowerCase();
    return (
      wanted.every((word) => said.includes(word)) && (into === null || goesInto(container, into))
    );
  });
}

function goesInto(
  { width, depth, height, turnable }: ContainerProduct,
  into: NonNullable<CatalogueQuestion['into']>,
): boolean {
  const straight = width.mm <= into.widthMm && depth.mm <= into.depthMm;
  const turned = turnable && depth.mm <= into.widthMm && width.mm <= into.depthMm;
  return height.mm <= into.heightMm && (straight || turned);
}
