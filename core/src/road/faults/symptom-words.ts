import type { SymptomId } from './symptom.ts';

interface Symptom {
  readonly name: string;
  /** How it is told from its neighbours. */
  readonly means: string;
  /** What to do before anything else; empty where nothing presses. */
  readonly first: string;
}

export const SYMPTOM_WORDS: Readonly<Record<SymptomId, Symptom>> = {
  dark: { name: 'All dark', means: 'No display, no lights, no drive.', first: '' },
  'no-drive': { name: 'Lit, but no drive', means: 'The display is on; the motor does nothing.', first: '' },
  'cuts-out-hills': {
    name: 'Cuts out on hills',
    means: 'Stops under a long pull and works again later.',
    first: '',
  },
  'cuts-out-full': {
    name: 'Cuts out at full help',
    means: 'Stops within seconds of full throttle or the highest level.',
    first: '',
  },
  weak: {
    name: 'Weak',
    means: 'Drives, but slower or with less pull than it did or than was planned.',
    first: '',
  },
  'runs-on': {
    name: 'Runs on',
    means: 'The motor pulls with nobody asking, or goes on when they stop.',
    first:
      'Do not ride it. Power off and the pack unplugged, then look with the driven wheel off the ground.',
  },
  jerks: { name: 'Jerks', means: 'Pulls in jolts, at the start or all the way.', first: '' },
  grinds: {
    name: 'Grinds',
    means: 'Growls or shakes when it should turn smoothly.',
    first: 'Stop at once: a motor that grinds on wrong phases draws all the amps there are.',
  },
  noise: { name: 'Noise', means: 'It runs, with a sound that it did not have.', first: '' },
  hot: {
    name: 'Hot',
    means: 'Motor, controller, a plug or a lead too hot to hold.',
    first: 'Power off and let it cool before a hand goes near. A hot pack is moved outdoors and left alone.',
  },
  'wrong-speed': {
    name: 'Wrong speed shown',
    means: 'The display is not what satellite or another counter says.',
    first: '',
  },
  spark: {
    name: 'Spark at plugging in',
    means: 'A crack and a flash as the pack is joined.',
    first: 'Leave it unplugged until it is known to be the capacitors and not a short.',
  },
  'one-battery': {
    name: 'One battery only',
    means: 'Runs on one pack and not on another, or one stays full.',
    first: 'Join nothing directly: packs at unlike volts push current into each other that no board limits.',
  },
  spokes: {
    name: 'Spokes loosen',
    means: 'Spokes lose their tension, or break.',
    first: 'A wheel that has lost spokes is not ridden.',
  },
  'runs-free': {
    name: 'Runs free',
    means: 'Motor or pedals turn without taking the wheel along, in the cold above all.',
    first: '',
  },
};
