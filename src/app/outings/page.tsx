import { Home } from '@/features/home/Home';
import { homeLines } from '@/app/homeLines';
import { currentAthlete } from '@/store/athlete';
import { countOver, listOutings } from '@/store/outings';
import { listTrash } from '@/store/trash';

export default async function Page() {
  const athlete = await currentAthlete();
  const [{ lines, more }, away, trash, over] = await Promise.all([
    homeLines(athlete),
    listOutings(athlete.id, 'put away'),
    listTrash(athlete.id),
    countOver(athlete.id),
  ]);
  return (
    <Home
      outings={lines}
      more={more.map((o) => ({ id: o.id, name: o.name, startMs: o.startMs }))}
      away={away.map((o) => ({ id: o.id, name: o.name, startMs: o.startMs }))}
      over={over}
      learned={athlete.known?.outings ?? 0}
      units={athlete.units}
      trash={trash}
    />
  );
}
