import { answerEach } from '../answering.ts';
import { readJob } from './read-job.ts';

answerEach(readJob);
