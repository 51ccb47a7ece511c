import type { Machine } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import type { FeedCase, FeedResult } from './result.js';
import type { Finding } from '../finding.js';

const WORDS = {
  full: 'full tank',
  half: 'half tank',
  lowest: 'lowest level',
  clean: 'clean strainer',
  dirty: 'dirty strainer',
  usual: 'usual water',
  summer: 'summer water',
  poor: 'poor ‹spigot›',
  typical: 'typical ‹spigot›',
  good: 'good ‹spigot›',
} as const;

/** The worst case in words: "lowest level, dirty strainer, summer water". */
export function caseWords(c: FeedCase, direct: boolean): string {
  return [...(direct ? [WORDS[c.spigot]] : [WORDS[c.level]]), WORDS[c.strainer], WORDS[c.water]].join(', ');
}

export function feedFindings(cases: Cases, machine: Machine, feed: FeedResult | undefined): Finding[] {
  const subject = { kind: 'machine', id: machine.id } as const;
  if (!feed)
    return [
      {
        code: 'no-feed',
        verdict: 'starved',
        station: 'feed',
        subject,
        message: message('{machine} has no water: no open line to a tank or ‹spigot›.', { machine: machine.name }),
      },
    ];
  const out: Finding[] = [];
  const where = message(caseWords(feed.worst, feed.direct));
  const values = {
    machine: machine.name,
    where,
    margin: { value: Math.abs(feed.worst.marginM), dimension: 'length' as const },
    flow: { value: feed.limits.mostFlowM3s, dimension: 'flow' as const },
    wants: { value: machine.flow, dimension: 'flow' as const },
    hot: { value: feed.limits.hottestK, dimension: 'temperature' as const },
  };
  if (feed.verdict === 'starved')
    out.push({
      code: 'feed-starved',
      verdict: 'starved',
      station: 'feed',
      subject,
      message: message('{machine} is starved at {where}: the feed passes {flow}, the pump needs {wants}.', values),
    });
  else if (feed.verdict === 'tight')
    out.push({
      code: 'feed-tight',
      verdict: 'tight',
      station: 'feed',
      subject,
      message: message(
        feed.worst.availableM - feed.required.value <= feed.worst.marginM && Number.isFinite(feed.limits.hottestK)
          ? '{machine} is fed, but only just: {margin} of inlet head to spare at {where}. It starves if the water is over {hot}.'
          : '{machine} is fed, but only just: {margin} of inlet head to spare at {where}.',
        values,
      ),
    });
  const least = cases.values['inlet-air'];
  if (feed.verdict !== 'starved' && feed.inlet.mean.value < least)
    out.push({
      code: 'inlet-air',
      verdict: 'tight',
      station: 'feed',
      subject,
      message: message('The inlet of {machine} is at {p} at {where}: below {least} air comes out of the water and the pump runs rough.', {
        ...values,
        p: { value: feed.inlet.mean.value, dimension: 'pressure' },
        least: { value: least, dimension: 'pressure' },
      }),
    });
  if (feed.highest.mean.value > feed.highest.mostPa)
    out.push({
      code: 'inlet-high',
      verdict: 'tight',
      station: 'feed',
      subject,
      message: message('The inlet of {machine} meets up to {p}; its seals are rated {most}. Add a pressure regulator.', {
        machine: machine.name,
        p: { value: feed.highest.mean.value, dimension: 'pressure' },
        most: { value: feed.highest.mostPa, dimension: 'pressure' },
      }),
    });
  if (feed.direct) {
    const poor = feed.cases.filter((c) => c.spigot === 'poor').reduce((a, b) => (b.marginM < a.marginM ? b : a));
    if (poor.marginM < 0 && feed.verdict !== 'starved')
      out.push({
        code: 'direct-poor-spigot',
        verdict: 'tight',
        station: 'feed',
        subject,
        message: message('{machine} runs straight off the ‹spigot› and starves at a poor one. Add a buffer tank.', values),
      });
  }
  const limit = cases.values['suction-velocity'];
  if (!feed.direct && feed.velocity.value > cases.values['suction-fast'] * limit && feed.verdict === 'fed')
    out.push({
      code: 'suction-fast',
      verdict: 'tight',
      station: 'feed',
      subject,
      message: message('{machine} suction runs at {v}; keep it under {limit}.', {
        machine: machine.name,
        v: { value: feed.velocity.value, dimension: 'velocity' },
        limit: { value: limit, dimension: 'velocity' },
      }),
    });
  return out;
}
