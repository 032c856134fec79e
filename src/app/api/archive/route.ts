import { fileNameOf } from '@/formats/fileName';
import { refuse } from '@/formats/problem';
import { readAll, replaceAll } from '@/store/archive';
import { inThread } from '@/workers/intake';
import { door } from '@/app/api/door';

/** Everything of the athlete as one zip: docs/formats.md says what is in it. */
export async function GET(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const zip = await inThread('pack', await readAll(athlete.id), 'Archive');
    return new Response(new Uint8Array(zip), {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="${fileNameOf(`everything of ${athlete.name}`, 'zip')}"`,
      },
    });
  });
}

/** Puts an archive in the place of everything the athlete has. All of it or nothing. */
export async function PUT(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const type = request.headers.get('content-type') ?? 'missing';
    if (type !== 'application/zip') refuse('Archive', 'content-type', type, 'application/zip');
    const bytes = new Uint8Array(await request.arrayBuffer());
    const whole = await inThread('unpack', { name: 'Archive', bytes }, 'Archive');
    await replaceAll(athlete.id, whole);
    return { outings: whole.archive.outings.length, garments: whole.archive.garments.length };
  });
}
