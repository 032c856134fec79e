// Size of what a page makes the browser load first, as it travels.
import { gzipSync } from 'node:zlib';

/** @returns kB of gzipped script that the page itself names, without what only browsers of long ago load */
export async function firstLoadKb(url) {
  const html = await (await fetch(url)).text();
  const scripts = [...html.matchAll(/<script\b[^>]*\bsrc="([^"]+)"[^>]*>/g)].filter(([tag]) => !/nomodule/i.test(tag));
  let bytes = 0;
  for (const src of new Set(scripts.map(([, src]) => src))) {
    const body = await (await fetch(new URL(src, url))).arrayBuffer();
    bytes += gzipSync(Buffer.from(body)).length;
  }
  return bytes / 1024;
}
