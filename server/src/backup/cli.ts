import { backupCommand } from './command.ts';

const [what, ...args] = process.argv.slice(2);
const said = await backupCommand(what === 'restore' ? 'restore' : 'backup', args, process.env, new Date());
process.stdout.write(said.out);
process.stderr.write(said.error);
process.exitCode = said.code;
