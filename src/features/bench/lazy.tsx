'use client';
import dynamic from 'next/dynamic';

// A sheet opens with what its present step needs; what comes later on, or seldom, is fetched when it comes.
export const Besides = dynamic(() => import('./besides').then((module) => module.Besides));
export const CorrectForm = dynamic(() => import('./correct-form').then((module) => module.CorrectForm));
export const TraceKeptView = dynamic(() => import('./live/trace-view').then((module) => module.TraceKeptView));
// The record and the doors out of a run stand below the work: they are drawn once the step can be worked on.
export const RunDoors = dynamic(() => import('./run-doors').then((module) => module.RunDoors), { ssr: false });
export const RunLog = dynamic(() => import('./run-log').then((module) => module.RunLog), { ssr: false });
export const HowForm = dynamic(() => import('./steps/how-form').then((module) => module.HowForm));
