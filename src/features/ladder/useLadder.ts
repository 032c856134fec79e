'use client';
import { type Ladder } from '@/core/search/ladderTerms';
import { useQuery } from '@tanstack/react-query';
import type { DoorDay, DoorSport } from '@/core/outing/doorDay';
import type { Units } from '@/formats/measures';
import { request } from '@/ui/api';

/** What the server says of a ladder. */
export interface LadderSaid {
  ladder: Ladder | null;
  holds: boolean;
  working: { done: number; says: string } | null;
}

/** How often one asks how far a ladder is, ms. */
const ASK_MS = 700;

/** The ladder of a sport, worked out in the background where there is none that holds. */
export function useLadder(
  { sport, shelter, units }: { sport: DoorSport; shelter: DoorDay['shelter']; units: Units },
  how: 'wanted' | 'none' = 'wanted',
) {
  const path = `/api/ladders?${new URLSearchParams({ sport, shelter, units }).toString()}`;
  return useQuery({
    queryKey: ['ladder', sport, shelter, units],
    enabled: how === 'wanted',
    queryFn: () => request<LadderSaid>('POST', path),
    refetchInterval: (q) => (q.state.data?.holds ? false : ASK_MS),
    refetchOnWindowFocus: false,
    staleTime: 30_000,
  });
}
