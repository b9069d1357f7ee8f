'use client';

import { useSyncExternalStore } from 'react';

/** How many times larger than usual a page can be. */
export const textSizes = [1, 1.25, 1.5, 2] as const;
export type TextSize = (typeof textSizes)[number];

/** How this device is held and read; each is kept in this browser alone. */
export interface HandSettings {
  /** How many times larger every page is than usual. */
  readonly textSize: TextSize;
  /** A short vibration when a verdict is taken, where the device has one. */
  readonly buzz: boolean;
  /** The screen stays on while a session runs. */
  readonly stayAwake: boolean;
  /** A line may be said, where the browser understands speech on the device itself. */
  readonly speech: boolean;
}

const NAME = 'tin-box.in-hand';
const USUAL: HandSettings = { textSize: 1, buzz: false, stayAwake: true, speech: false };
const BUZZ_MS = 18;
const listeners = new Set<() => void>();
let known: { readonly text: string | null; readonly settings: HandSettings } = {
  text: null,
  settings: USUAL,
};

/** The same object until something of it changes. */
export function readHandSettings(): HandSettings {
  let text: string | null = null;
  try {
    text = window.localStorage.getItem(NAME);
  } catch {
    // A browser that keeps nothing: as if nobody had said anything.
  }
  if (known.text !== text) known = { text, settings: { ...USUAL, ...parse(text) } };
  return known.settings;
}

function parse(text: string | null): Partial<HandSettings> {
  try {
    const value: unknown = JSON.parse(text ?? '{}');
    if (typeof value !== 'object' || value === null) return {};
    // Of a version that had one larger size.
    return 'largeText' in value && value.largeText === true && !('textSize' in value)
      ? { ...value, textSize: 1.25 }
      : value;
  } catch {
    return {};
  }
}

export function changeHandSettings(change: Partial<HandSettings>): void {
  try {
    window.localStorage.setItem(NAME, JSON.stringify({ ...readHandSettings(), ...change }));
  } catch {
    // Nothing is kept here; the switch is back at once.
  }
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  window.addEventListener('storage', listener);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', listener);
  };
};

export const useHandSettings = (): HandSettings =>
  useSyncExternalStore(subscribe, readHandSettings, () => USUAL);

/** A short vibration, where somebody wants it and the device has one. */
export function buzz(): void {
  if (readHandSettings().buzz && 'vibrate' in navigator) navigator.vibrate(BUZZ_MS);
}
