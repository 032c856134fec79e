import Link from 'next/link';
import { Header } from '@/features/shell/Header';

export default function NotFound() {
  return (
    <>
      <Header screen="home" />
      <main className="mx-4 mt-10">
        <h1 className="speak text-[28px] font-semibold">There is nothing here.</h1>
        <p className="mt-2">
          The outing may have been removed.{' '}
          <Link href="/" className="underline">
            All outings
          </Link>
        </p>
      </main>
    </>
  );
}
