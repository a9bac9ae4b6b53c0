import type { Door } from './admission';

/** A use case behind a door, as it is called whoever calls it. */
type Work = (context: never, input: never) => unknown;

const known: [name: string, door: Door & { work?: Work }][] = [];

/** Every door says here what it is, when it is made: so what a role may is listed from the code itself, without gaps. */
export function keepDoor(door: Door, kind: 'action' | 'page' | 'route', work?: Work): void {
  known.push([`${kind} ${door.name}`, { ...door, ...(work ? { work } : {}) }]);
}

/** All doors that were made so far, by kind and name. */
export const allDoors = (): readonly [name: string, door: Door & { work?: Work }][] => known;
