import { measurandOf } from '../measurand';
import type { GasSensor } from '../measurand/measurand';
import type { BenchFacts, Cause, CauseCode, ChannelFacts } from './facts';
import { nextTest } from './next-test';

/** A response under this share is a failure of its own kind, not a drift. */
const BARELY = 0.3;
const LOW = 0.88;

interface Finding {
  code: CauseCode;
  channels: string[];
  score: number;
  title: string;
  because: string[];
}

/**
 * Ranked likely causes of what went wrong, from what was measured, each with the next test that tells it from its nearest look-alike.
 * Shares, health: 1 = as it should be; time in s; age in months. Facts that are not known are left out and weigh nothing. Errors: none.
 * Source: common practice; nothing here decides, the technician does.
 *
 * @example
 * diagnose({ channels: [{ channel: 'c-ex', measurand: 'methane', label: 'Combustible', share: 0.1 }, …], pumped: false })[0].code // 'poisonedSensor'
 */
export function diagnose(facts: BenchFacts): Cause[] {
  const findings = [...ofInstrument(facts), ...ofFlow(facts), ...facts.channels.flatMap((one) => ofChannel(one, facts))]
    .filter((finding) => finding.score > 0)
    .sort((a, b) => b.score - a.score);
  return merge(findings).map((finding, index, all) => ({
    ...finding,
    nextTest: nextTest(finding.code, (index === 0 ? all[1] : all[0])?.code ?? null).test,
  }));
}

/** The same cause on several channels is one cause. */
function merge(findings: Finding[]): Finding[] {
  const byCode = new Map<CauseCode, Finding>();
  for (const finding of findings) {
    const before = byCode.get(finding.code);
    if (before)
      Object.assign(before, {
        channels: [...new Set([...before.channels, ...finding.channels])],
        because: [...new Set([...before.because, ...finding.because])],
      });
    else byCode.set(finding.code, { ...finding });
  }
  return [...byCode.values()];
}

const percent = (share: number) => `${Math.round(share * 100)} %`;
const inGas = (facts: BenchFacts) => facts.channels.filter((one) => one.share !== null && one.shows !== 'fault');
const sensorOf = (one: ChannelFacts): GasSensor => measurandOf(one.measurand).sensor ?? { usualT90Seconds: 30 };
const usual = (one: ChannelFacts) => one.usualT90Seconds ?? sensorOf(one).usualT90Seconds;
const slowness = (one: ChannelFacts) => (one.t90Seconds ? one.t90Seconds / usual(one) : 1);

function ofInstrument(facts: BenchFacts): Finding[] {
  const out: Finding[] = [];
  const all = facts.channels.map((one) => one.channel);
  if (facts.saveLost || facts.readBackOld)
    out.push({
      code: 'missedSave',
      channels: all,
      score: 5,
      title: 'The calibration was not saved',
      because: [
        facts.saveLost
          ? 'The instrument went back to its old calibration.'
          : 'What was read back is still the old date or reading.',
      ],
    });
  const silent = Object.entries(facts.outputs ?? {}).filter(([, works]) => works === false);
  if (silent.length && silent.length < 3)
    out.push({
      code: 'deadOutput',
      channels: [],
      score: 4.5,
      title: `Dead output: ${silent.map(([name]) => name).join(', ')}`,
      because: ['The alarm was on and the other outputs worked.'],
    });
  if (Math.abs(facts.clockOffSeconds ?? 0) > 120)
    out.push({
      code: 'wrongClock',
      channels: [],
      score: 3,
      title: 'The clock is wrong',
      because: [
        `It is ${Math.round(Math.abs(facts.clockOffSeconds!) / 60)} min ${facts.clockOffSeconds! > 0 ? 'ahead' : 'behind'}.`,
      ],
    });
  return out;
}

/** What all channels share comes from tube, valve, regulator or pump. */
function ofFlow(facts: BenchFacts): Finding[] {
  const channels = inGas(facts);
  if (channels.length === 0) return [];
  const out: Finding[] = [];
  const ids = channels.map((one) => one.channel);
  const dead = channels.filter((one) => one.share! < 0.08);
  const slow = channels.filter((one) => slowness(one) > 1.5);
  const low = channels.filter((one) => one.share! < LOW);
  const together = channels.length > 1 ? 1 : 0.45;
  if (dead.length === channels.length) {
    const blocked = facts.pump === 'blocked';
    out.push({
      code: 'kinkedTube',
      channels: ids,
      score: (blocked ? 5 : facts.pumped ? 2.5 : 3.6) * together,
      title: 'Kinked or blocked tube',
      because: ['No channel sees any gas.', ...(blocked ? ['The pump is blocked.'] : [])],
    });
    out.push({
      code: 'closedValve',
      channels: ids,
      score: (blocked ? 2 : 3.5) * together,
      title: 'Valve closed, or the bottle is empty',
      because: ['No channel sees any gas.', ...(facts.pump === 'on' ? ['The pump draws freely.'] : [])],
    });
    if (blocked)
      out.push({
        code: 'wrongRegulator',
        channels: ids,
        score: facts.regulator === 'fixed' ? 4 : 1,
        title: 'Wrong regulator for a pump',
        because: ['The pump starves.'],
      });
    return out;
  }
  const flowLow = typeof facts.flowMeasured === 'number' && facts.flowMeant ? facts.flowMeasured / facts.flowMeant < 0.8 : false;
  if (slow.length >= Math.max(2, channels.length - 1) || (low.length === channels.length && channels.length > 1)) {
    const because = [
      slow.length > 1 ? `${slow.length} of ${channels.length} channels are slow together.` : 'All channels are low together.',
      ...(flowLow ? [`The flow meter shows ${facts.flowMeasured} instead of ${facts.flowMeant} L/min.`] : []),
    ];
    if (facts.pumped) {
      const starved = facts.regulator === 'fixed' || facts.pump === 'blocked';
      out.push({
        code: 'wrongRegulator',
        channels: ids,
        score: starved ? 4.5 : 1.5,
        title: 'Wrong regulator for a pump',
        because: [
          ...because,
          ...(facts.regulator === 'fixed' ? ['A fixed flow feeds a pump.'] : []),
          ...(facts.pump === 'blocked' ? ['The block alarm came up.'] : []),
        ],
      });
      out.push({
        code: 'weakPump',
        channels: ids,
        score: (starved ? 3 : 4) + (flowLow ? 1 : 0),
        title: 'Weak pump',
        because: [...because, ...(facts.pump === 'on' ? ['The pump runs without a block alarm.'] : [])],
      });
    }
    out.push({ code: 'kinkedTube', channels: ids, score: facts.pumped ? 2 : 3.2, title: 'Kinked or leaking tube', because });
    if (low.length === channels.length && slow.length === 0)
      out.push({ code: 'wrongBottle', channels: ids, score: 2.6, title: 'Another bottle than the one on the sheet', because });
  }
  return out;
}

function ofChannel(one: ChannelFacts, facts: BenchFacts): Finding[] {
  const out: Finding[] = [];
  const add = (code: CauseCode, score: number, title: string, ...because: (string | false | null | undefined)[]) =>
    out.push({ code, channels: [one.channel], score, title, because: because.filter((text): text is string => Boolean(text)) });
  if (one.shows === 'fault') {
    add('absentSensor', 5, `${one.label}: sensor absent or without contact`, 'The display shows a fault instead of a number.');
    add('dyingSensor', 1.2, `${one.label}: sensor at its end`, 'A failed sensor can show a fault as well.');
    return out;
  }
  zeroCauses(one, facts, add);
  if (one.share === null) return out;
  const others = inGas(facts).filter((other) => other.channel !== one.channel);
  const alone = others.length === 0 || others.some((other) => other.share! >= LOW && slowness(other) < 1.5);
  if (!alone) return out;
  const sensor = sensorOf(one);
  const share = `${one.label} moved ${percent(one.share)} of what the gas asks for.`;
  const healthLow = typeof one.health === 'number' && one.health < 0.6;
  const old = (one.ageMonths ?? 0) >= 24;
  if (one.share < BARELY && sensor.poisons)
    add('poisonedSensor', 4.6, `${one.label}: poisoned sensor`, share, others.length > 0 && 'The other channels respond.');
  if (one.share < 0.15 && sensor.fallsInGas)
    add(
      'stuckSensor',
      5,
      `${one.label}: stuck sensor`,
      'Oxygen does not fall.',
      others.length > 0 && 'The other channels respond.',
    );
  const slow = slowness(one);
  if (slow > 1.6)
    add(
      'slowSensor',
      3 + Math.min(1.5, slow / 3),
      `${one.label}: slow, sensor or its filter`,
      `T90 ${Math.round(one.t90Seconds!)} s, usual are ${usual(one)} s.`,
    );
  const poisoned = one.share < BARELY && sensor.poisons;
  if (one.share < LOW && !sensor.fallsInGas && !poisoned) {
    const reactive = sensor.fadesInBottle;
    add(
      'dyingSensor',
      2 + (healthLow ? 2 : 0) + (old ? 0.8 : 0) + (one.share < 0.5 ? 0.8 : 0) - (slow > 1.6 && !healthLow ? 1 : 0),
      `${one.label}: sensor at the end of its life`,
      share,
      healthLow && `Raw output ${percent(one.health!)} of new.`,
      old && `The sensor is ${Math.round(one.ageMonths!)} months old.`,
    );
    if (reactive && !facts.bottleProvedByOther)
      add(
        'fadedGas',
        2.6 +
          ((facts.bottleAgeMonths ?? 0) > 9 || (facts.bottleMonthsLeft ?? 99) < 3 ? 1 : 0) +
          (one.share > 0.5 ? 0.8 : 0) -
          (slow > 1.6 ? 1 : 0),
        `Faded gas: ${one.label}`,
        share,
        `${one.label} fades in the bottle; the steady gases read well.`,
        (facts.bottleMonthsLeft ?? 99) < 3 && 'The bottle is near its date.',
      );
    if (!reactive && !sensor.poisons) add('wrongBottle', 1.4, 'Another bottle than the one on the sheet', share);
    if (sensor.poisons && one.share >= BARELY) add('poisonedSensor', 2.8, `${one.label}: sensor partly poisoned`, share);
  }
  return out;
}

function zeroCauses(
  one: ChannelFacts,
  facts: BenchFacts,
  add: (code: CauseCode, score: number, title: string, ...because: (string | false | null | undefined)[]) => void,
): void {
  const zero = one.zeroInTolerances;
  if (typeof zero !== 'number' || Math.abs(zero) <= 1) return;
  const through = facts.zeroMeans === 'scrubber' || facts.zeroMeans === 'zeroTube';
  const fell =
    typeof one.openAirInTolerances === 'number' && one.openAirInTolerances > 1 ? 1 - zero / one.openAirInTolerances : null;
  if (through && zero > 0) {
    add(
      'spentScrubber',
      fell !== null && fell > 0.05 && fell < 0.9 ? 4.6 : 3.4,
      'Spent scrubber or zero tube',
      `${one.label} does not come down to zero through it.`,
      fell !== null && `It fell by ${percent(Math.max(0, fell))} only.`,
    );
    add('dirtyBackground', 2.4, 'Strong background at the bench', `${one.label} stays above zero.`);
  } else if (zero > 0) {
    add('dirtyBackground', 3.6, 'Background at the bench', `${one.label} is above zero in open air.`);
    add(
      'spentScrubber',
      facts.zeroMeans === 'zeroGas' ? 0 : 1,
      'Zero was made without a fresh scrubber',
      `${one.label} is above zero.`,
    );
  }
  add('dyingSensor', 1, `${one.label}: drifted zero`, `${one.label} is off zero.`);
}
