import {
  DoorOpen,
  Gift,
  HandHeart,
  Hourglass,
  MessageCircleQuestion,
  PackageCheck,
  Recycle,
  Tag,
  Trash2,
  type LucideIcon,
} from 'lucide-react';

import type { Verdict } from '@/core/sort';

/** Tint and shape of each verdict's box; the word and key stand in words.ts. */
export const verdictLooks: Readonly<
  Record<Verdict, { readonly icon: LucideIcon; readonly color: string }>
> = {
  keep: { icon: PackageCheck, color: 'var(--color-keep)' },
  donate: { icon: Gift, color: 'var(--color-donate)' },
  discard: { icon: Trash2, color: 'var(--color-discard)' },
  elsewhere: { icon: DoorOpen, color: 'var(--color-elsewhere)' },
  give: { icon: HandHeart, color: 'var(--color-give)' },
  sell: { icon: Tag, color: 'var(--color-sell)' },
  recycle: { icon: Recycle, color: 'var(--color-recycle)' },
  ask: { icon: MessageCircleQuestion, color: 'var(--color-ask)' },
  later: { icon: Hourglass, color: 'var(--color-later)' },
};
