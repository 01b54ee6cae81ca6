// npm run bench [-- --only PREFIX --json FILE]: measures what design targets speak of; asserts nothing.
import { build, checkNode, install, installChromium, run } from './prepare.mjs';

checkNode();
install();
installChromium();
build();
run('Bench', process.execPath, ['--import', 'tsx', 'e2e/bench/main.ts', ...process.argv.slice(2)]);
