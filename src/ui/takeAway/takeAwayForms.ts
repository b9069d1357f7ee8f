import { z } from 'zod';

import { formatLength, formatMoneyInput, type LengthUnit } from '@/core/shared';
import {
  readExceptions,
  readHours,
  readRefuses,
  streams,
  writeExceptions,
  writeHours,
  writeRefuses,
  type Car,
  type HaulDestination,
  type Sale,
  type TextFault,
} from '@/core/takeAway';
import type { Result } from '@/core/shared';
import {
  typedMoney,
  typedNumber,
  typedOptionalLength,
  typedOptionalNumber,
  typedPositiveLength,
} from '../typedValues';
import { textFaultWords } from './takeAwayWords';

const readText = <T>(read: (text: string) => Result<T, TextFault>) =>
  z.string().transform((text, context): T => {
    const result = read(text);
    if (result.ok) return result.value;
    context.addIssue({ code: 'custom', message: textFaultWords(result.error) });
    return z.NEVER;
  });
const note = (most: number) => z.string().trim().max(most, `At most ${most} letters`);
const typedMinutes = typedOptionalNumber({ least: 0, most: 600, what: 'minutes' }).transform(
  (minutes) => (minutes === null ? null : Math.round(minutes)),
);

/** A destination, as typed. */
export const destinationFormSchema = z
  .object({
    name: z.string().trim().min(1, 'What it is called').max(80, 'At most 80 letters'),
    streams: z.array(z.enum(streams)).min(1, 'Say at least one thing that it takes'),
    address: note(160),
    latitude: typedOptionalNumber({ least: -90, most: 90, what: 'degrees' }),
    longitude: typedOptionalNumber({ least: -180, most: 180, what: 'degrees' }),
    minutes: typedMinutes,
    hours: readText(readHours),
    exceptions: readText(readExceptions),
    refuses: readText(readRefuses),
    bagsPerVisit: typedOptionalNumber({ least: 1, most: 1000, what: 'bags' }),
    unloadMinutes: typedNumber({ least: 0, most: 240, what: 'minutes' }),
    byAppointment: z.boolean(),
    collects: z.boolean(),
    givesReceipt: z.boolean(),
    fee: typedMoney,
    note: note(300),
  })
  .transform(({ latitude, longitude, fee, bagsPerVisit, unloadMinutes, ...form }) => ({
    ...form,
    position: latitude === null || longitude === null ? null : { latitude, longitude },
    bagsPerVisit: bagsPerVisit === null ? null : Math.round(bagsPerVisit),
    unloadMinutes: Math.round(unloadMinutes),
    feeMinor: fee,
  }));
export type DestinationTyped = z.input<typeof destinationFormSchema>;

const orEmpty = (value: number | null): string => (value === null ? '' : String(value));

const noDestination: DestinationTyped = {
  name: '',
  streams: [],
  address: '',
  latitude: '',
  longitude: '',
  minutes: '',
  hours: '',
  exceptions: '',
  refuses: '',
  bagsPerVisit: '',
  unloadMinutes: '10',
  byAppointment: false,
  collects: false,
  givesReceipt: false,
  fee: '0',
  note: '',
};
export const toTypedDestination = (of: HaulDestination | undefined): DestinationTyped =>
  of === undefined
    ? noDestination
    : {
        name: of.name,
        streams: of.streams,
        address: of.address,
        latitude: orEmpty(of.position?.latitude ?? null),
        longitude: orEmpty(of.position?.longitude ?? null),
        minutes: orEmpty(of.minutes),
        hours: writeHours(of.hours),
        exceptions: writeExceptions(of.exceptions),
        refuses: writeRefuses(of.refuses),
        bagsPerVisit: orEmpty(of.bagsPerVisit),
        unloadMinutes: String(of.unloadMinutes),
        byAppointment: of.byAppointment,
        collects: of.collects,
        givesReceipt: of.givesReceipt,
        fee: formatMoneyInput(of.feeMinor),
        note: of.note,
      };

/** A car, as measured with a tape. */
export const carFormSchema = z
  .object({
    name: z.string().trim().min(1, 'What it is called').max(60, 'At most 60 letters'),
    width: typedPositiveLength('cm'),
    height: typedPositiveLength('cm'),
    length: typedPositiveLength('cm'),
    downLength: typedOptionalLength('cm'),
    maxKg: typedNumber({ least: 10, most: 20_000, what: 'kilograms' }),
    trailerLitres: typedOptionalNumber({ least: 10, most: 50_000, what: 'litres' }),
    trailerKg: typedOptionalNumber({ least: 10, most: 20_000, what: 'kilograms' }),
    trailerLength: typedOptionalLength('cm'),
  })
  .transform(({ name, width, height, length, downLength, maxKg, ...form }): Car => ({
    name,
    widthMm: width.mm,
    heightMm: height.mm,
    lengthMm: length.mm,
    downLengthMm: downLength?.mm ?? null,
    maxG: maxKg * 1000,
    trailer:
      form.trailerLitres !== null && form.trailerKg !== null && form.trailerLength !== null
        ? {
            litres: form.trailerLitres,
            maxG: form.trailerKg * 1000,
            lengthMm: form.trailerLength.mm,
          }
        : null,
  }));
export type CarTyped = z.input<typeof carFormSchema>;
export const toTypedCar = (car: Car | undefined, unit: LengthUnit = 'cm'): CarTyped => {
  const length = (mm: number | null | undefined) =>
    typeof mm === 'number' ? formatLength(mm, unit) : '';
  return {
    name: car?.name ?? '',
    width: length(car?.widthMm),
    height: length(car?.heightMm),
    length: length(car?.lengthMm),
    downLength: length(car?.downLengthMm),
    maxKg: car ? String(car.maxG / 1000) : '',
    trailerLitres: car?.trailer ? String(car.trailer.litres) : '',
    trailerKg: car?.trailer ? String(car.trailer.maxG / 1000) : '',
    trailerLength: length(car?.trailer?.lengthMm),
  };
};

const optionalDay = z
  .union([z.literal(''), z.iso.date('A day, as in 2026-12-12')])
  .transform((day) => (day === '' ? null : day));
const optionalMoney = z.string().transform((text, context): number | null => {
  if (text.trim() === '') return null;
  const money = typedMoney.safeParse(text);
  if (money.success) return money.data;
  context.addIssue({ code: 'custom', message: money.error.issues[0]?.message ?? '' });
  return z.NEVER;
});
/** What is known of a sale, as typed. */
export const saleFormSchema = z
  .object({
    asking: optionalMoney,
    offeredAt: note(80),
    offeredOn: optionalDay,
    byDay: optionalDay,
    reservedFor: note(80),
    sold: optionalMoney,
    soldOn: optionalDay,
    fee: optionalMoney,
  })
  .transform(({ asking, sold, fee, ...form }) => ({
    ...form,
    askingMinor: asking,
    soldMinor: sold,
    feeMinor: fee ?? 0,
  }))
  .refine(({ soldMinor, feeMinor }) => soldMinor === null || feeMinor <= soldMinor, {
    message: 'The fee is more than what it was sold for',
    path: ['fee'],
  });
export type SaleTyped = z.input<typeof saleFormSchema>;
export const toTypedSale = (sale: Sale | undefined): SaleTyped => {
  const money = (minor: number | null | undefined) =>
    typeof minor === 'number' ? formatMoneyInput(minor) : '';
  return {
    asking: money(sale?.askingMinor),
    offeredAt: sale?.offeredAt ?? '',
    offeredOn: sale?.offeredOn ?? '',
    byDay: sale?.byDay ?? '',
    reservedFor: sale?.reservedFor ?? '',
    sold: money(sale?.soldMinor),
    soldOn: sale?.soldOn ?? '',
    fee: sale && sale.feeMinor > 0 ? formatMoneyInput(sale.feeMinor) : '',
  };
};

/** Until when something waits for a person, and what is written to them. */
export const fetchFormSchema = z.object({ byDay: optionalDay, note: note(600) });
export type FetchTyped = z.input<typeof fetchFormSchema>;

/** How things leave this home. */
export const termsFormSchema = z
  .object({
    carName: note(60),
    seatsDown: z.boolean(),
    withTrailer: z.boolean(),
    boxLitres: typedNumber({ least: 5, most: 200, what: 'litres' }),
    wantsValues: z.boolean(),
    latitude: typedOptionalNumber({ least: -90, most: 90, what: 'degrees' }),
    longitude: typedOptionalNumber({ least: -180, most: 180, what: 'degrees' }),
  })
  .transform(({ latitude, longitude, boxLitres, ...form }) => ({
    ...form,
    boxLitres: Math.round(boxLitres),
    position: latitude === null || longitude === null ? null : { latitude, longitude },
  }));
export type TermsTyped = z.input<typeof termsFormSchema>;
