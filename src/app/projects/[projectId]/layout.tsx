import type { Metadata } from 'next';
import type { ReactNode } from 'react';

import { titleOf, unitsOf } from '@/server/desk/titles';
import { LengthKeys } from '@/ui/primitives/LengthKeys';

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

export default async function ProjectLayout({
  params,
  children,
}: {
  params: Promise<{ projectId: string }>;
  children: ReactNode;
}) {
  const { projectId } = await params;
  return <LengthKeys unit={(await unitsOf(projectId)) ?? 'in'}>{children}</LengthKeys>;
}
