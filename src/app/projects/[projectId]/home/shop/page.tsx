import { redirect } from 'next/navigation';

export default async function HomeShopPage({ params }: { params: Promise<{ projectId: string }> }) {
  redirect(`/projects/${(await params).projectId}/home/shop/money`);
}
