import { openBrowser, openPage, saved, says, tap, type } from './src/browser';
import { makeClassroom, teacher } from './src/classroom';
import { RestartableServer } from './src/server';
(async () => {
const server = await RestartableServer.create();
await server.start('2026-11-23T10:42:00Z'); console.log('started');
const room = await makeClassroom(server.address, 12); console.log('room');
const browser = await openBrowser(); console.log('browser');
const page = await openPage(browser, 'phone');
page.on('console', (m) => console.log('C', m.text()));
await page.goto(server.address); console.log('goto');
await type(page, 'Your name', teacher.name);console.log('name');
await type(page, 'Passphrase', teacher.passphrase);
await tap(page, 'Sign in');console.log('tapped');
await says(page, 'Boat Workshop');console.log('in');
await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
console.log('sw');
await browser.close(); await server.end('SIGTERM');
})();
