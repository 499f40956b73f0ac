import { randomUUID } from 'node:crypto';
import { chromium } from '@playwright/test';
import {
  cleanLog,
  heatAfter,
  kilnModel,
  logFromTable,
  scheduleCurve,
  SimulatedKiln,
  storedJoule,
  thinLog,
  type KilnHeat,
  type LogReading,
} from '@cazuela/core';
import { middleMs, percentile, type Row } from './measure';

const READINGS = 20_000;
const FEW = { warmUp: 2, rounds: 7, perRound: 1 };
const KILN = { chamber: { kind: 'rectangular' as const, widthMm: 620, depthMm: 580, heightMm: 900 }, powerWatts: 18_000, mostCelsius: 1_300 };
const CONE_6 = { segments: [{ celsiusPerHour: 120, toCelsius: 1_206, holdMinutes: 10 }] };

/** A day and a half of a firing, a reading every 6 s or so. */
function longLog(): LogReading[] {
  const kiln = new SimulatedKiln(kilnModel(KILN, 45_000), scheduleCurve(CONE_6));
  return Array.from({ length: READINGS }, () => kiln.run(6.5)).flatMap((reading) =>
    reading ? [{ seconds: Math.round(reading.seconds * 10) / 10, celsius: Math.round(reading.celsius * 10) / 10 }] : [],
  );
}

/** What went into the practice kiln and is neither stored nor lost, as a share. */
function energyError(): number {
  const model = kilnModel(KILN, 45_000);
  let heat: KilnHeat = { wareCelsius: 20, brickCelsius: 20, inJoule: 0, lostJoule: 0 };
  for (let minute = 0; minute < 24 * 60; minute++)
    heat = heatAfter(heat, model, { share: minute < 720 ? (minute % 7) / 7 : 0, seconds: 60, isDoorOpen: minute % 200 < 5 });
  return Math.abs(heat.inJoule - heat.lostJoule - storedJoule(heat, model)) / heat.inJoule;
}

/** Logs of firings in the core, and the practice kiln. */
export function logRows(): Row[] {
  const log = longLog();
  const rows = [['Seconds', 'Temp'], ...log.map(({ seconds, celsius }) => [String(seconds), String(celsius)])];
  const thinMs = middleMs(() => thinLog(cleanLog(log).readings), FEW);
  const tableMs = middleMs(() => logFromTable(rows), FEW);
  const error = energyError();
  return [
    {
      what: `${READINGS.toLocaleString('en')} readings cleaned and thinned to ${thinLog(log).length}`,
      measured: `${thinMs.toFixed(1)} ms`,
      wanted: 'under 50 ms',
      ok: thinMs < 50,
    },
    { what: 'the same read from a table', measured: `${tableMs.toFixed(0)} ms`, wanted: 'under 200 ms', ok: tableMs < 200 },
    { what: 'energy of the practice kiln over a day, door and all', measured: error.toExponential(1), wanted: 'conserved to 1e-6', ok: error < 1e-6 },
  ];
}

/** A firing with so many readings, from the address to its curve. */
export async function logPageRows(address: string): Promise<Row[]> {
  const [studio] = (await (await fetch(`${address}/api/studios`)).json()) as [{ id: string }];
  const log = longLog();
  const id = randomUUID();
  const body = {
    kiln: 'Ofen',
    startedAt: new Date(Date.now() - 10 * 86_400_000).toISOString(),
    wantedCone: '6',
    witnessCone: null,
    points: scheduleCurve(CONE_6),
  };
  const readings = { seconds: log.map(({ seconds }) => seconds), celsius: log.map(({ celsius }) => celsius) };
  const headers = { 'content-type': 'application/json' };
  const sent = performance.now();
  const answer = await fetch(`${address}/api/studios/${studio.id}/firings`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ id, body, readings }),
  });
  if (!answer.ok) throw new Error(await answer.text());
  const keptMs = performance.now() - sent;
  const browser = await chromium.launch({
    executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/kiln/firings/${id}`);
    await page.locator('path.read').first().waitFor();
    const times: number[] = [];
    for (let time = 0; time < 7; time++) {
      await page.locator('p.small a').click();
      await page.getByRole('link', { name: 'What was read of it' }).waitFor();
      times.push(await page.evaluate<number>(OPENED_MS));
    }
    const openMs = percentile(times, 0.5);
    return [
      {
        what: `a log of ${READINGS.toLocaleString('en')} readings sent and kept`,
        measured: `${keptMs.toFixed(0)} ms`,
        wanted: 'under 3 s',
        ok: keptMs < 3_000,
      },
      {
        what: 'its firing opened: from the tap to its painted curve, middle of 7',
        measured: `${openMs.toFixed(0)} ms`,
        wanted: 'under 300 ms',
        ok: openMs < 300,
      },
    ];
  } finally {
    await browser.close();
  }
}

/** Clicks in the page itself, so that nothing but the page is measured. As text: the compiler's helpers are not in the page. */
const OPENED_MS = `new Promise((resolve) => {
  const from = performance.now();
  document.querySelector('a[href^="/kiln/firings/"]').click();
  const look = () => {
    if (document.querySelector('cz-log-curve path.read')) requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - from)));
    else requestAnimationFrame(look);
  };
  look();
})`;
