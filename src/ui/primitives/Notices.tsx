'use client';

import dynamic from 'next/dynamic';
import { useState, useSyncExternalStore } from 'react';

import type { NoticesProps } from './NoticeToasts';
import { noticeStore } from './notices';
import { useAtRest } from './useAtRest';

const loadToasts = () => import('./NoticeToasts');
const NoticeToasts = dynamic(() => loadToasts().then((part) => part.NoticeToasts));

/** The one place where it is said what was done or what failed; F8 leads there by keys. */
export function Notices({ onUndo }: NoticesProps) {
  useAtRest(loadToasts);
  const notices = useSyncExternalStore(
    noticeStore.subscribe,
    noticeStore.get,
    noticeStore.getOnServer,
  );
  const isOverlaid = useSyncExternalStore(
    noticeStore.subscribe,
    noticeStore.isOverlaid,
    noticeStore.isOverlaidOnServer,
  );
  const shown = isOverlaid ? [] : notices;
  const [wereAny, setWereAny] = useState(false);
  if (shown.length > 0 && !wereAny) setWereAny(true);
  return wereAny ? <NoticeToasts shown={shown} onUndo={onUndo} /> : null;
}
