// npm run faults [-- --flips N --mutations N --kills N --rounds N]: tries to lose work; not part of the tests.
import { build, checkNode, install, installChromium, run } from './prepare.mjs';

checkNode();
install();
installChromium();
build();
run('Faults', process.execPath, ['--import', 'tsx', 'e2e/faults/main.ts', ...process.argv.slice(2)]);
