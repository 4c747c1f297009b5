import { BenchScreen } from '@/features/bench/screen';

interface Props {
  searchParams: Promise<{ first?: string }>;
}

export default async function BenchPage({ searchParams }: Props) {
  return <BenchScreen first={(await searchParams).first !== undefined} />;
}
