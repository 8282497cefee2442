import { asked, type Asked } from '../check/check.ts';
import type { Subject } from './subject.ts';

/** Material of what holds the motor's axle. */
export const driven = (s: Subject) =>
  s.hub === 'front' ? s.build.donor.forkMaterial : s.build.donor.frameMaterial;

/** The material of the dropouts that hold the motor's axle. */
export const askedMaterial = (s: Subject): Asked =>
  asked(s.hub === 'front' ? 'fork material' : 'frame material', driven(s));
