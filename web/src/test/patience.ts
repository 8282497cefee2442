import { configure } from '@testing-library/react';

// A limit for what hangs, not a measure of speed: a busy machine can stand still for a minute.
configure({ asyncUtilTimeout: 60_000 });
