'use client';
import dynamic from 'next/dynamic';

/** The first visit as a part of its own: whoever has a closet loads nothing of it. */
export const FirstRunLater = dynamic(() => import('./FirstRun').then((m) => m.FirstRun));
