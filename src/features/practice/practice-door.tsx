'use client';
import dynamic from 'next/dynamic';

/** The whole core comes with practice: only who practises loads it. */
export const PracticeSheet = dynamic(() => import('./practice-sheet').then((module) => module.PracticeSheet), { ssr: false });
export const ExerciseSheet = dynamic(() => import('./exercise-sheet').then((module) => module.ExerciseSheet), { ssr: false });
