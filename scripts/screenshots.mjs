// npm run screenshots: refreshes docs/screenshots from the demo job.
import { build, checkNode, install, installChromium, run } from './prepare.mjs';

checkNode();
install();
installChromium();
build();
run('Screenshots', process.execPath, ['--import', 'tsx', 'e2e/screenshots.ts']);
