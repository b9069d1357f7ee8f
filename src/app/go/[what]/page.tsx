import { notFound, redirect } from 'next/navigation';

import { getDatabase } from '@/data/startData';
import { findShortcut, shortcuts } from '@/server/desk/findShortcut';
import { today } from '@/server/means';

/** Where the shortcuts of the installed application lead: to the work that is next. */
export default async function GoPage({ params }: { params: Promise<{ what: string }> }) {
  const { what } = await params;
  const shortcut = shortcuts.find((each) => each === what);
  if (!shortcut) notFound();
  redirect(await findShortcut(await getDatabase(), shortcut, today()));
}
