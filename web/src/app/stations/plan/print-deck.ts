import { type AsTold, deckDrawing, formatQuantity, type Rig, say, standingOn, svgOf, type UnitSystem, type WeightResult } from '@pozzo/core';
import { spell } from '@pozzo/core/page';

const cell = (text: string, tag = 'td'): string => `<${tag}>${text.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</${tag}>`;

/** The sheet that is printed: plan and view from the kerb to scale, and what every filling weighs. */
export function deckSheet(rig: Rig, weight: AsTold<WeightResult> | undefined, levels: readonly number[], units: UnitSystem): string {
  const drawing = deckDrawing(rig, units, levels);
  if (!drawing) return '';
  const mass = (kg: number): string => formatQuantity(kg, 'mass', units, { digits: 4 });
  const trailer = weight?.states.some((s) => s.tongueKg !== undefined) ?? false;
  const rows = (weight?.states ?? []).map(
    (s) =>
      `<tr>${cell(say(s.name, units))}${cell(mass(s.massKg))}${s.axles.map((a) => cell(mass(a))).join('')}${trailer ? cell(`${mass(s.tongueKg ?? 0)}, ${formatQuantity(s.tongueShare ?? 0, 'ratio', units)}`) : ''}${cell(mass(s.payloadLeftKg))}</tr>`,
  );
  const heads = ['Filling', 'Whole', ...(rig.platform?.axles ?? []).map((_, i) => `Axle ${i + 1}`), ...(trailer ? [spell('‹Coupler›')] : []), 'Payload left'];
  const ratings = rig.platform
    ? `<tr>${cell('Made for')}${cell(mass(rig.platform.gvwr))}${rig.platform.axles.map((a) => cell(mass(a.rating))).join('')}${trailer ? cell(rig.platform.coupling ? mass(rig.platform.coupling.rating) : '') : ''}${cell('')}</tr>`
    : '';
  return `<section class="paper"><h1>${cell(rig.name, 'span')}</h1>${svgOf(drawing, 25)}${
    weight
      ? `<table><thead><tr>${heads.map((h) => cell(h, 'th')).join('')}</tr></thead><tbody>${ratings}${rows.join('')}</tbody></table>${
          weight.judged
            ? ''
            : cell(
                `Not placed, and not counted: ${standingOn(rig)
                  .filter((t) => weight.unplaced.includes(t.id))
                  .map((t) => t.name)
                  .join(', ')}.`,
                'p',
              )
        }`
      : ''
  }<p>${spell('Weights are from the ‹catalog› and are estimates: weigh the rig before it goes on the road. Local road rules decide.')}</p></section>`;
}

/** Prints the sheet and nothing else of the page. */
export function printDeck(rig: Rig, weight: AsTold<WeightResult> | undefined, levels: readonly number[], units: UnitSystem): void {
  const holder = document.createElement('div');
  holder.className = 'print-only';
  holder.innerHTML = deckSheet(rig, weight, levels, units);
  document.body.append(holder);
  document.body.classList.add('printing');
  const done = (): void => {
    document.body.classList.remove('printing');
    holder.remove();
    removeEventListener('afterprint', done);
  };
  addEventListener('afterprint', done);
  print();
}
