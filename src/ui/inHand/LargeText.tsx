'use client';

import { useEffect } from 'react';

import { useHandSettings } from './handSettings';

/** Shows every page larger on a device where somebody wants it so. */
export function LargeText() {
  const { textSize } = useHandSettings();
  useEffect(() => {
    const { classList, style } = document.documentElement;
    classList.toggle('large-text', textSize > 1);
    classList.toggle('much-larger', textSize >= 1.5);
    style.setProperty('--text-size', String(textSize));
  }, [textSize]);
  return null;
}
