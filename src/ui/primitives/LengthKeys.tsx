'use client';

import { createContext, useContext, type ReactNode } from 'react';

import type { LengthUnit } from '@/core/shared';

type KeysMode = 'decimal' | 'text';

const LengthKeysContext = createContext<KeysMode>('text');

/**
 * Which keys a phone shows for lengths: digits where the home is measured in centimetres or
 * millimetres; all of them for inches, whose fractions need a slash and a space.
 */
export function LengthKeys({ unit, children }: { unit: LengthUnit; children: ReactNode }) {
  const mode = unit === 'in' || unit === 'ft' ? 'text' : 'decimal';
  return <LengthKeysContext value={mode}>{children}</LengthKeysContext>;
}

/** The `inputmode` of a field for a length; all keys where no home says how it is measured. */
export const useLengthKeys = (): KeysMode => useContext(LengthKeysContext);
