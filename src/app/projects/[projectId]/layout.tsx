import type { Metadata } from 'next';
import type { ReactNode } from 'react';

import { titleOf } from '@/server/desk/titles';

/** Windows and tabs say whose home it is. */
export async function generateMetadata({
  params,
}: {
  params: Promise<{ projectId: string }>;
}): Promise<Metadata> {
  const { projectId } = await params;
  const title = await titleOf(projectId, undefined);
  return title === undefined ? {} : { title: { template: `%s · ${title}`, default: title } };
}

export default function ProjectLayout({ children }: { children: ReactNode }) {
  return children;
}
