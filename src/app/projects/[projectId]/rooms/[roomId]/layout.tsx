import type { Metadata } from 'next';
import type { ReactNode } from 'react';

import { titleOf } from '@/server/desk/titles';

/** Windows and tabs say which room of which home it is. */
export async function generateMetadata({
  params,
}: {
  params: Promise<{ projectId: string; roomId: string }>;
}): Promise<Metadata> {
  const { projectId, roomId } = await params;
  const title = await titleOf(projectId, roomId);
  return title === undefined ? {} : { title: { template: `%s · ${title}`, default: title } };
}

export default function RoomLayout({ children }: { children: ReactNode }) {
  return children;
}
