import { PrivateMariaDb } from './scripts/lib/private-mariadb.ts';
import { startServer } from './scripts/lib/server-process.ts';
import { throwAwayFolder } from './scripts/lib/throw-away-folder.ts';
import { freePort } from './scripts/lib/free-port.ts';
const db = await PrivateMariaDb.start(throwAwayFolder('look'));
const s = await startServer({ db: db.address, port: await freePort(), demo: true });
console.log('open at ' + s.address);
setInterval(()=>{}, 1000);
