'use client';
import { useMutation, useQuery } from '@tanstack/react-query';
import type { Station } from '@/formats/stationJson';
import { height, type Units } from '@/formats/measures';
import { problemsOf, request } from '@/ui/api';
import { Problems } from '@/ui/Problems';
import { Select } from '@/ui/Select';
import { useRefresh } from '@/ui/useRefresh';

/** Which station one looks to: the one at the height one goes to says the truest air and wind. */
export function StationChoice({ units }: { units: Units }) {
  const refresh = useRefresh();
  const { data, refetch } = useQuery({
    queryKey: ['stations'],
    queryFn: () => request<{ station: string; stations: Station[] }>('GET', '/api/weather'),
    staleTime: 600_000,
  });
  const choose = useMutation({
    mutationFn: (station: string) => request('PUT', '/api/weather', { station }),
    onSuccess: () => {
      void refetch();
      refresh();
    },
  });
  if (!data || data.stations.length < 2) return null;
  return (
    <div className="mt-1.5 flex items-center gap-2 text-[12.5px]">
      <span className="text-ink-2">Station</span>
      <Select
        label="Weather station"
        value={data.station}
        options={data.stations.map((s) => ({ value: s.id, label: `${s.name}, ${height(s.eleM, units)}` }))}
        onChange={(id) => choose.mutate(id)}
        className="w-56"
      />
      {choose.error && <Problems problems={problemsOf(choose.error)} title="Not chosen." />}
    </div>
  );
}
