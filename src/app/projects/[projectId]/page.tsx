import { redirect } from 'next/navigation';

/** A home opens at its first page. */
export default async function ProjectPage({ params }: { params: Promise<{ projectId: string }> }) {
  redirect(`/projects/${(await params).projectId}/home`);
}
