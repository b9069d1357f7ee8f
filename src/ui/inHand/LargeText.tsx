'use client';

import { useEffect } from 'react';

import { useHandSettings } from './handSettings';

/** Shows every page larger on a device where somebody wants it so. */
export function LargeText() {
  const { largeText } = useHandSettings();
  useEffect(() => {
    document.documentElement.classList.toggle('large-text', largeText);
  }, [largeText]);
  return null;
}
