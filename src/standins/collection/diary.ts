/** When the van can come. Days as `2026-12-12`, minutes of the day. */
export interface Slot {
  readonly id: string;
  readonly day: string;
  readonly from: number;
  readonly to: number;
  readonly left: number;
}
export interface BookingAsked {
  readonly slotId: string;
  readonly litres: number;
  readonly massG: number;
  /** Of the heaviest single piece. */
  readonly heaviestG: number;
}
interface Booking extends BookingAsked {
  readonly id: string;
  readonly state: 'booked' | 'called_off';
  readonly said: string;
}
export type BookingFault =
  | { readonly code: 'unknown_slot' | 'full' }
  | { readonly code: 'too_heavy'; readonly mostG: number }
  | { readonly code: 'too_much'; readonly mostLitres: number };

export type DiaryMood = 'well' | 'slow' | 'down';

export interface CollectionDiary {
  readonly mood: () => DiaryMood;
  readonly setMood: (mood: DiaryMood) => void;
  readonly slots: () => readonly Slot[];
  readonly bookings: () => readonly Booking[];
  /** The same id is the same booking, however often it is asked. */
  readonly book: (id: string, asked: BookingAsked) => Booking | BookingFault;
  readonly find: (id: string) => Booking | undefined;
  readonly cancel: (id: string) => Booking | undefined;
  /** Somebody else takes what is left of a slot. */
  readonly fill: (slotId: string) => void;
  readonly callOff: (id: string) => void;
}

const PLACES_A_SLOT = 2;
const MOST_PIECE_G = 30_000;
const MOST_LITRES = 2500;

/** The diary of a made-up collection service: two slots a working day, two homes each. */
export function createCollectionDiary(firstDay: string): CollectionDiary {
  let mood: DiaryMood = 'well';
  let bookings: Booking[] = [];
  const filled = new Set<string>();
  const days = Array.from({ length: 14 }, (_, i) => {
    const date = new Date(`${firstDay}T00:00:00Z`);
    date.setUTCDate(date.getUTCDate() + i + 1);
    return date;
  }).filter((date) => date.getUTCDay() !== 0 && date.getUTCDay() !== 6);
  const all = days.flatMap((date) => {
    const day = date.toISOString().slice(0, 10);
    return [
      { id: `${day}-am`, day, from: 540, to: 720 },
      { id: `${day}-pm`, day, from: 780, to: 960 },
    ];
  });
  const takenOf = (slotId: string) =>
    bookings.filter((each) => each.slotId === slotId && each.state === 'booked').length;
  const leftOf = (slotId: string) =>
    filled.has(slotId) ? 0 : Math.max(0, PLACES_A_SLOT - takenOf(slotId));
  const change = (id: string, after: (before: Booking) => Booking): Booking | undefined => {
    bookings = bookings.map((each) => (each.id === id ? after(each) : each));
    return bookings.find((each) => each.id === id);
  };
  return {
    mood: () => mood,
    setMood: (next) => {
      mood = next;
    },
    slots: () => all.map((slot) => ({ ...slot, left: leftOf(slot.id) })),
    bookings: () => bookings,
    book: (id, asked) => {
      const known = bookings.find((each) => each.id === id);
      if (known) return known;
      if (!all.some((slot) => slot.id === asked.slotId)) return { code: 'unknown_slot' };
      if (leftOf(asked.slotId) === 0) return { code: 'full' };
      if (asked.heaviestG > MOST_PIECE_G) return { code: 'too_heavy', mostG: MOST_PIECE_G };
      if (asked.litres > MOST_LITRES) return { code: 'too_much', mostLitres: MOST_LITRES };
      const booking: Booking = { id, ...asked, state: 'booked', said: '' };
      bookings = [...bookings, booking];
      return booking;
    },
    find: (id) => bookings.find((each) => each.id === id),
    cancel: (id) =>
      change(id, (before) => ({ ...before, state: 'called_off', said: 'called off by you' })),
    fill: (slotId) => void filled.add(slotId),
    callOff: (id) =>
      void change(id, (before) => ({
        ...before,
        state: 'called_off',
        said: 'the van is broken; we are sorry',
      })),
  };
}
