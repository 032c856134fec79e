import { setTimeout as wait } from 'node:timers/promises';
import { NextResponse } from 'next/server';
import { renewPool, sql } from '@/store/db';

export const dynamic = 'force-dynamic';

/** Whoever asks is told within this, ms, whatever hangs. */
const PATIENCE_MS = 1500;

/** Up, and the database answers. */
export async function GET(): Promise<Response> {
  const database = await Promise.race([
    sql()`select 1`.then(
      () => 'answers' as const,
      () => 'away' as const,
    ),
    wait(PATIENCE_MS, 'silent' as const),
  ]);
  const ok = database === 'answers';
  if (!ok) renewPool();
  return NextResponse.json({ ok, database }, { status: ok ? 200 : 503, headers: { 'cache-control': 'no-store' } });
}
