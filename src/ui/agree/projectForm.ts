import { z } from 'zod';

import { daySchema, measureUnits, projectStatuses, type Person, type Project } from '@/core/agree';
import { currencies, formatMoneyInput, type Length, type LengthUnit } from '@/core/shared';
import { typedMoney, typedNumber, typedOptionalLength, typedPositiveLength } from '../typedValues';

const personFields = z.object({
  id: z.string(),
  name: z.string().trim().min(1, 'Type a name, or how the client calls them').max(60),
  height: z.string(),
  isChild: z.boolean(),
  noStep: z.boolean(),
  labels: z.enum(['words', 'pictures']),
  lids: z.enum(['closes', 'leaves']),
  sorting: z.enum(['finely', 'roughly']),
});
const typedCount = typedNumber({ least: 0, most: 40, what: 'a number' }).transform(Math.round);

/** Heights are read in the unit that the same form sets. */
export const projectFormSchema = z
  .object({
    name: z.string().trim().min(1, 'Type what this home is called').max(80, 'At most 80 letters'),
    units: z.enum(measureUnits),
    currency: z.enum(currencies),
    budget: typedMoney,
    readyBy: z.union([z.literal(''), daySchema]).transform((day) => (day === '' ? null : day)),
    status: z.enum(projectStatuses),
    bedCount: typedCount,
    guestPlaceCount: typedCount,
    pets: z.string().trim().max(120, 'At most 120 letters'),
    /** Read in the unit that the same form sets; empty: nobody counts rows. */
    rowDepth: z.string(),
    people: z.array(personFields).min(1, 'Somebody lives here').max(20),
    roomBudgets: z.record(z.string(), typedMoney),
  })
  .transform(({ people, rowDepth, ...form }, context) => ({
    ...form,
    rowDepth: readRowDepth(rowDepth, form.units, context),
    people: people.map((person, i) => {
      const height = typedPositiveLength(form.units).safeParse(person.height);
      const isPlausible = height.success && height.data.mm >= 400 && height.data.mm <= 2500;
      if (!isPlausible) {
        const message = height.success
          ? 'A height between 40 cm and 250 cm'
          : (height.error.issues[0]?.message ?? 'Type a height');
        context.addIssue({ code: 'custom', path: ['people', i, 'height'], message });
      }
      return {
        ...person,
        id: person.id === '' ? undefined : person.id,
        height: height.success ? height.data : { mm: 0, text: '' },
      };
    }),
  }));
/** A front row is between a hand's breadth and an arm's length deep. */
function readRowDepth(text: string, unit: LengthUnit, context: z.RefinementCtx): Length | null {
  const read = typedOptionalLength(unit).safeParse(text);
  const isPlausible = read.success && (!read.data || (read.data.mm >= 50 && read.data.mm <= 800));
  if (isPlausible) return read.data;
  context.addIssue({
    code: 'custom',
    path: ['rowDepth'],
    message: read.success
      ? 'A depth between 5 cm and 80 cm'
      : (read.error.issues[0]?.message ?? 'Type a depth'),
  });
  return null;
}
export type ProjectFormTyped = z.input<typeof projectFormSchema>;
export type ProjectFormRead = z.output<typeof projectFormSchema>;

export const emptyPerson: ProjectFormTyped['people'][number] = {
  id: '',
  name: '',
  height: '',
  isChild: false,
  noStep: false,
  labels: 'words',
  lids: 'closes',
  sorting: 'finely',
};

/** What the form shows for a project that is there already. */
export function toTypedProject(
  project: Project,
  people: readonly Person[],
  rooms: readonly { readonly id: string; readonly budgetMinor: number }[],
): ProjectFormTyped {
  return {
    name: project.name,
    units: project.units,
    currency: project.currency,
    budget: formatMoneyInput(project.budgetMinor),
    readyBy: project.readyBy ?? '',
    status: project.status,
    bedCount: String(project.bedCount),
    guestPlaceCount: String(project.guestPlaceCount),
    pets: project.pets,
    rowDepth: project.rowDepth?.text ?? '',
    people: people.map(({ id, name, height, isChild, noStep, labels, lids, sorting }) => ({
      id,
      name,
      height: height.text,
      isChild,
      noStep,
      labels,
      lids,
      sorting,
    })),
    roomBudgets: Object.fromEntries(
      rooms.map((room) => [room.id, formatMoneyInput(room.budgetMinor)]),
    ),
  };
}
