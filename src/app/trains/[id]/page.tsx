import { Screen } from '@/features/bench/screen';

interface Props {
  searchParams: Promise<{ first?: string }>;
}

export default async function BenchPage({ searchParams }: Props) {
  return <Screen first={(await searchParams).first !== undefined} />;
}
