import { expose } from 'comlink';
import { StudyRunner } from './study-runner.ts';

expose(new StudyRunner());
