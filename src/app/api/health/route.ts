import { NextResponse } from 'next/server';
import { sql } from '@/store/db';

export const dynamic = 'force-dynamic';

/** Up, and the database answers. */
export async function GET(): Promise<Response> {
  try {
    await sql()`select 1`;
    return NextResponse.json({ ok: true });
  } catch {
    return NextResponse.json({ ok: false }, { status: 503 });
  }
}
