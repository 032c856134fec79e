// Where the database of a data folder is, and the secret that opens it: noted in the folder itself, so that both are found again
// wherever the folder is moved to. Nothing that is there is ever written over.
import { createHash, randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, realpathSync, renameSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { isRoot, say, Stop } from './install.mjs';

const AWAY = '/var/lib';
const PREFIX = 'lofted-ember-';
const NOTE = 'cluster.json';
const OWNER = 'owner.json';

/**
 * @typedef {{ id: string, folder: string, secretFile: string, isNew: boolean }} Place
 * folder: the cluster; secretFile: what opens it, beside it
 */

/**
 * Finds the place of a data folder's database, or chooses one for a new database.
 * @param reaches whether the database's user can get into a folder
 * @param opens whether the cluster of a folder is opened by a secret: it is asked only when an older version left no note
 * @returns {Promise<Place>} @throws Stop when there must be a database and it is not found
 */
export async function findPlace(data, reaches, opens) {
  const note = join(data, NOTE);
  if (existsSync(note)) return noted(data, note, reaches);
  const old = await earlier(data, opens);
  if (old) return keep(data, old);
  const id = randomBytes(6).toString('hex');
  if (reaches(data)) return { ...inside(data), id, isNew: true };
  const home = join(AWAY, PREFIX + id);
  say(`the database user cannot reach ${data} (a folder above it is private); the database is kept in ${home}`);
  return { id, folder: join(home, 'postgres'), secretFile: join(home, 'secret'), isNew: true };
}

/** Notes a place in the data folder, and the data folder at a place outside it. */
export function keep(data, place) {
  const away = dirname(place.folder) !== data;
  if (away) writeFileSync(ownerOf(place), JSON.stringify({ data }), { mode: 0o600 });
  const { id, folder, secretFile } = place;
  const text = JSON.stringify(away ? { id, folder, secretFile } : { id }, null, 1);
  writeFileSync(join(data, NOTE), `${text}\n`, { mode: 0o600 });
  return { ...place, isNew: false };
}

const inside = (data) => ({ folder: join(data, 'postgres'), secretFile: join(data, 'postgres.secret') });
const isCluster = (folder) => existsSync(join(folder, 'PG_VERSION'));
/** Beside the cluster where it has a home of its own, inside where an earlier version put it straight under /var/lib. */
const ownerOf = ({ folder }) => (dirname(folder) === AWAY ? `${folder}.${OWNER}` : join(dirname(folder), OWNER));

function noted(data, note, reaches) {
  const place = { ...inside(data), ...JSON.parse(readFileSync(note, 'utf8')), isNew: false };
  if (!isCluster(place.folder))
    throw new Stop(
      `the database of ${data} should be in ${place.folder} and is not there. Put it back, or take another data folder with ` +
        '--data and bring a backup into it with bin/restore. Nothing was changed',
    );
  if (!existsSync(place.secretFile))
    throw new Stop(
      `the secret that opens the database is missing: ${place.secretFile}. Put it back from where the folder was copied; ` +
        'nothing was changed',
    );
  if (!reaches(dirname(place.folder)))
    throw new Stop(
      `the database user cannot reach ${place.folder}: a folder above it is private. Open the way with chmod a+x on it, or move ` +
        'the data folder and name it with --data',
    );
  claim(data, place);
  return place;
}

/** A copied folder would share the database with its original: each then writes over the other's. */
function claim(data, place) {
  if (dirname(place.folder) === data) return;
  const file = ownerOf(place);
  const owner = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')).data : null;
  if (owner === data) return;
  const other = owner && join(owner, NOTE);
  if (other && existsSync(other) && JSON.parse(readFileSync(other, 'utf8')).id === place.id)
    throw new Stop(
      `${data} is a copy of ${owner}, and the database belongs to that one. For a second database of the same, make a backup ` +
        `there (bin/backup) and bring it into another folder here (bin/restore)`,
    );
  writeFileSync(file, JSON.stringify({ data }), { mode: 0o600 });
  if (owner) say(`the data folder was moved from ${owner}; its database is found again in ${place.folder}`);
}

/** The database of an earlier version, which left no note: inside, under a name made of the folder's path, or moved away from it. */
async function earlier(data, opens) {
  const { folder, secretFile } = inside(data);
  const id = randomBytes(6).toString('hex');
  // Killed between its last two steps, the making of a cluster left the secret under the name it had meanwhile.
  if (isCluster(folder) && !existsSync(secretFile) && existsSync(`${secretFile}.new`))
    renameSync(`${secretFile}.new`, secretFile);
  const hasSecret = existsSync(secretFile);
  if (isCluster(folder)) {
    if (!hasSecret)
      throw new Stop(
        `there is a database in ${folder} but not the secret that opens it, ${secretFile}. Nothing was changed`,
      );
    return { id, folder, secretFile };
  }
  if (!hasSecret) return null;
  const byPath = join(AWAY, PREFIX + createHash('sha256').update(resolve(data)).digest('hex').slice(0, 12));
  const rest = isRoot
    ? readdirSync(AWAY)
        .filter((n) => n.startsWith(PREFIX))
        .map((n) => join(AWAY, n))
    : [];
  const free = (f) => isCluster(f) && !existsSync(ownerOf({ folder: f }));
  const secret = readFileSync(secretFile, 'utf8').trim();
  for (const place of [byPath, ...rest.filter((f) => f !== byPath)].filter(free))
    if (await opens(place, secret)) return { id, folder: place, secretFile };
  throw new Stop(
    `${secretFile} belongs to a database that is not found. If the data folder was moved here, move ${AWAY}/${PREFIX}… with it or ` +
      'put the folder back where it was; if the database is gone for good, take the file away and start again. Nothing was changed',
  );
}

export function dataFolder(data) {
  mkdirSync(data, { recursive: true });
  return realpathSync(data);
}
