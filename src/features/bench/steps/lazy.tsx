'use client';
import dynamic from 'next/dynamic';

// One kind of step is in hand at a time: each is fetched when the first of its kind comes. The server draws the one that a sheet opens with.
export const AdjustStep = dynamic(() => import('./adjust-step').then((module) => module.AdjustStep));
export const BumpStep = dynamic(() => import('./bump-step').then((module) => module.BumpStep));
export const CareStep = dynamic(() => import('./care-step').then((module) => module.CareStep));
export const CheckStep = dynamic(() => import('./check-step').then((module) => module.CheckStep));
export const ConditionStep = dynamic(() => import('./condition-step').then((module) => module.ConditionStep));
export const DecideStep = dynamic(() => import('./decide-step').then((module) => module.DecideStep));
export const EndOfRun = dynamic(() => import('./end-of-run').then((module) => module.EndOfRun));
export const ReferenceStep = dynamic(() => import('./reference-step').then((module) => module.ReferenceStep));
export const SaveStep = dynamic(() => import('./save-step').then((module) => module.SaveStep));
export const WaitStep = dynamic(() => import('./wait-step').then((module) => module.WaitStep));
