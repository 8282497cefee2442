// npm run compile: builds the one package that is compiled here, the database. Whoever sets flags keeps them.
import { run } from './lib.mjs';

/**
 * Half the time of what the package asks for, which everybody waits for who installs it; statements take as long either
 * way, as nearly as it can be measured.
 */
const FLAGS = '-O1';
const { CFLAGS = FLAGS, CXXFLAGS = FLAGS } = process.env;
process.exit(run('npm', ['rebuild', 'better-sqlite3'], { env: { ...process.env, CFLAGS, CXXFLAGS } }));
