import { Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type AsTold, endWords, addReel, addSite, formatQuantity, type ReelResult, type RunResult } from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { chosenOf } from '../../kit/chosen';
import { type Fact, Facts } from '../../bench/facts';
import { NameField } from '../../bench/name-field';
import { Later } from '../../kit/later';
import { Picker } from '../../kit/picker';
import { type Column, DataTable, type TableRow } from '../../kit/table';
import { QuantityField } from '../../bench/quantity-field';
import { StationFrame } from '../../bench/station-frame';
import { RigStore } from '../../state/rig-store';
import { ReelDrawing } from './reel-drawing';
import { SpellPipe } from '../../kit/spell.pipe';
import { spell } from '@pozzo/core/page';

/** Reels: what fits, what it weighs, where it sits; and whether the hose reaches the far corner of the site. */
@Component({
  selector: 'pz-reels-station',
  imports: [SpellPipe, ChoiceField, DataTable, Facts, Later, MatButtonModule, NameField, Picker, QuantityField, ReelDrawing, StationFrame],
  templateUrl: './reels.station.html',
  styles: `
    h3 {
      margin: 14px 0 4px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
      margin: 6px 0 14px;
    }
    th,
    td {
      text-align: left;
      padding: 5px 10px 5px 0;
      border-bottom: 1px solid var(--line);
    }
    th {
      color: var(--ink-quiet);
      font-weight: 600;
    }
  `,
})
export class ReelsStation {
  private readonly rig = inject(RigStore);
  readonly of = input<string>();
  protected readonly reels = computed(() => this.rig.document()?.reels ?? []);
  protected readonly chosen = chosenOf(this.reels, this.of);
  protected readonly result = computed<AsTold<ReelResult> | undefined>(() => this.rig.assessment()?.reels[this.chosen.index()]);
  protected readonly site = computed(() => this.rig.document()?.site);
  protected readonly lines = computed(() =>
    (this.rig.document()?.lines ?? [])
      .filter((l) => l.role === 'pressure' || l.role === 'fill' || (l.role === 'chemical' && l.to.at === 'sprayer'))
      .map((l) => ({ value: l.id, name: this.lineName(l.id) })),
  );
  protected readonly bare = computed(() => this.lines().filter((l) => !this.reels().some((r) => r.line === l.value)));
  protected readonly places = [
    { value: 'kerb', name: spell('‹Curb› side') },
    { value: 'rear', name: 'Rear' },
    { value: 'street', name: 'Street side' },
  ];
  protected readonly parkings = [
    { value: '', name: 'Not said' },
    { value: 'hook', name: 'A hook or clip' },
    { value: 'nothing', name: 'Nothing' },
  ];
  protected readonly swivels = [
    { value: 'brass', name: 'Brass' },
    { value: 'steel', name: 'Plated steel' },
    { value: 'stainless', name: 'Stainless' },
    { value: 'plastic', name: 'Plastic' },
    { value: 'none', name: 'None, hose coupled straight' },
  ];
  protected readonly traffic = [
    { value: 'right', name: 'right' },
    { value: 'left', name: 'left' },
  ];
  protected readonly facts = computed<Fact[]>(() => {
    const r = this.result();
    const i = this.chosen.index();
    if (!r) return [];
    return [
      { label: 'Takes', at: `reels.${i}.capacity` },
      { label: 'Carries', text: this.q(r.hoseM, 'length') },
      { label: 'Weighs, dry', at: `reels.${i}.dryKg` },
      { label: 'Weighs, full', at: `reels.${i}.fullKg` },
      { label: 'Pulled out in', at: `reels.${i}.pullOut` },
      { label: 'Runs through in', at: `reels.${i}.empty`, never: 'never' },
      { label: 'Wound', text: `${r.layers} layers of ${r.wrapsPerLayer}` },
    ];
  });
  protected readonly swivelWords = computed(() => {
    switch (this.chosen.item()?.swivel) {
      case 'brass':
      case 'steel':
        return 'Acid and hypochlorite eat brass and plated swivels: couple such a hose straight, or take stainless or plastic.';
      case 'plastic':
        return 'Plastic swivels take chemicals, not washer pressure: low-pressure hose only.';
      default:
        return '';
    }
  });
  /** All reels at a glance: what goes where. */
  protected readonly reelPlan = computed(() =>
    (this.rig.assessment()?.reels ?? []).flatMap((r): TableRow[] => {
      const reel = this.rig.rig()?.reels.find((x) => x.id === r.reelId);
      if (!reel || !this.lines().some((l) => l.value === reel.line)) return [];
      return [
        {
          id: r.reelId,
          cells: {
            reel: reel.name,
            carries: this.lineName(reel.line),
            hose: { text: this.q(r.hoseM, 'length'), by: r.hoseM },
            wound: { text: this.q(r.woundM, 'length'), by: r.woundM },
            where: `${this.places.find((p) => p.value === reel.place)?.name}, row ${reel.row}`,
          },
        },
      ];
    }),
  );
  protected readonly reelColumns: readonly Column[] = [
    { id: 'reel', name: 'Reel', sorts: true },
    { id: 'carries', name: 'Carries', sorts: true },
    { id: 'hose', name: 'Hose', number: true, sorts: true },
    { id: 'wound', name: 'Wound across', number: true, sorts: true },
    { id: 'where', name: 'Where', sorts: true },
  ];
  protected readonly runColumns: readonly Column[] = [
    { id: 'gun', name: 'Gun', sorts: true },
    { id: 'run', name: 'Run', number: true, sorts: true },
    { id: 'hose', name: 'Hose', number: true, sorts: true },
    { id: 'arrives', name: 'Arrives', number: true, sorts: true },
    { id: 'change', name: 'Change of liquid', number: true, sorts: true },
  ];
  /** That it reaches is said only where a run was looked at. */
  protected readonly calm = computed(() => `The hose fits its reels${this.rig.assessment()?.runs.length ? ' and reaches the far corner' : ''}.`);
  protected readonly runs = computed(() =>
    (this.rig.assessment()?.runs ?? []).map((r: AsTold<RunResult>): TableRow => ({
      id: r.outletId,
      cells: {
        gun: this.rig.document()?.outlets.find((o) => o.id === r.outletId)?.name ?? '',
        run: { text: this.q(r.needed.value, 'length'), by: r.needed.value },
        hose: { text: this.q(r.carried.value, 'length'), by: r.carried.value, shout: r.verdict !== 'fed' },
        arrives: { text: this.q(r.arrives.value, 'pressure'), by: r.arrives.value },
        change: { text: Number.isFinite(r.changeOver.value) ? this.q(r.changeOver.value, 'time') : 'never', by: r.changeOver.value },
      },
    })),
  );

  /** Its place on the deck; less than nothing while it has none. */
  protected readonly placed = computed(() => this.rig.document()?.placements?.findIndex((p) => p.thing === this.chosen.item()?.id) ?? -1);
  /** Once it stands on a deck the side that it pays out to is its place's. */
  protected readonly placePath = computed(() => (this.placed() >= 0 ? `placements.${this.placed()}.service` : this.path('place')));
  protected readonly row = computed(() => this.rig.rig()?.reels[this.chosen.index()]?.row ?? 1);

  protected path(field: string): string {
    return `reels.${this.chosen.index()}.${field}`;
  }
  private q(value: number, dimension: Parameters<typeof formatQuantity>[1]): string {
    return formatQuantity(value, dimension, this.rig.units());
  }
  private lineName(id: string): string {
    const doc = this.rig.document()!;
    const l = doc.lines.find((x) => x.id === id)!;
    return `${l.role === 'fill' ? 'Supply' : 'Hose'} to ${endWords(doc, l.to)}`;
  }
  protected add(lineId: string): void {
    let id = '';
    this.rig.edit('Add a reel', (d) => void (id = addReel(d, lineId)));
    this.chosen.choose(id);
  }
  protected remove(): void {
    const reel = this.chosen.item()!;
    this.rig.edit(`Remove ${reel.name}`, (d) => void (d.reels = d.reels!.filter((r) => r.id !== reel.id)));
  }
  protected plan(): void {
    this.rig.edit('Plan the hose run', addSite);
  }
}
