'use client';

import { useLayoutEffect, useRef } from 'react';

import { areSingleKeysOn } from './singleKeys';

/** Whether typing goes into a field, where single keys must stay letters. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.matches('input:not([type=range]), textarea, select, [contenteditable=true]');

/**
 * Listens for single keys anywhere on the page, save in fields and with a modifier held. Keys are
 * named as typed, lower case. The handler may change from render to render.
 */
export function useKeys(handlers: Readonly<Record<string, (event: KeyboardEvent) => void>>): void {
  const latest = useRef(handlers);
  // Both with the page that they are of, not after it: a key pressed right behind another means what
  // is shown by then.
  useLayoutEffect(() => {
    latest.current = handlers;
  });
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (
        event.defaultPrevented ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        isTyping(event.target) ||
        // A sheet that lies over the page has the keys for itself.
        document.querySelector('[role="dialog"]') !== null
      )
        return;
      const handler = latest.current[event.key.toLowerCase()];
      if (!handler || (event.key.length === 1 && !areSingleKeysOn())) return;
      event.preventDefault();
      handler(event);
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
