import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import {
  addFree,
  addRiding,
  addWheelBoxes,
  BRAKES,
  COUPLINGS,
  DECK_COATS,
  DECK_MATERIALS,
  DOORS,
  PLATFORM_KINDS,
  type PlatformDocument,
  removeFree,
  removeRiding,
  setDoor,
  setPlatform,
} from '@pozzo/core';
import { ChoiceField } from '../../bench/choice-field';
import { NameField } from '../../bench/name-field';
import { QuantityField } from '../../bench/quantity-field';
import { SelectRow } from '../../kit/select-row';
import { RigStore } from '../../state/rig-store';
import { SpellPipe } from '../../kit/spell.pipe';
import { spell } from '@pozzo/core/page';

const words = <T extends string>(list: readonly T[], names: Partial<Record<T, string>> = {}): { value: T; name: string }[] =>
  list.map((value) => ({ value, name: names[value] ?? value[0].toUpperCase() + value.slice(1).replace('-', ' ') }));

/** What the rig stands on: measures, empty weight, axles, coupling, ratings, what tows. */
@Component({
  selector: 'pz-platform-fields',
  imports: [SpellPipe, ChoiceField, MatButtonModule, MatCheckboxModule, NameField, QuantityField, SelectRow],
  template: `
    @if (platform(); as p) {
      <pz-name path="platform.name" />
      <pz-choice label="Kind" path="platform.kind" [options]="kinds" />
      <pz-quantity label="Deck length" path="platform.length" />
      <pz-quantity label="Deck width" path="platform.width" />
      <pz-quantity label="Deck above the ground" path="platform.height" [write]="lift" />
      <pz-quantity label="Rail" path="platform.rail" placeholder="none" />
      <pz-quantity label="Height inside a closed body" path="platform.headroom" placeholder="open" />
      @if (p.headroom !== undefined) {
        <div class="doors" role="group" aria-label="Doors">
          <span>Doors</span>
          @for (d of doors; track d.side) {
            <mat-checkbox [checked]="p.doors?.includes(d.side) ?? false" (change)="door(d.side, $event.checked)">{{ d.name }}</mat-checkbox>
          }
        </div>
        @if (!(p.doors ?? []).length) {
          <p class="shout">This closed body has no door.</p>
        }
      }
      <pz-choice label="Gate or ramp" path="platform.gate" [options]="gates" />
      <pz-choice label="Deck" path="platform.deck" [options]="decks" />
      <pz-choice label="Coat" path="platform.coat" [options]="coats" />
      <pz-choice label="Brakes" path="platform.brakes" [options]="brakes" />
      <pz-choice label="On the road" path="platform.road" [options]="roads" />
      <h4>Empty</h4>
      <pz-select label="Told by" [options]="tellings" [value]="p.empty.by" (choose)="tell($event)" />
      @if (p.empty.by === 'centre') {
        <pz-quantity label="Weighs" path="platform.empty.mass" />
        <pz-quantity [label]="'Its ‹center›, from the deck’s front' | spell" path="platform.empty.at" />
      } @else {
        @for (a of p.empty.axles; track $index) {
          <pz-quantity [label]="'Scale, axle ' + ($index + 1)" [path]="'platform.empty.axles.' + $index" />
        }
        @if (p.coupling) {
          <pz-quantity label="Scale, coupling" path="platform.empty.tongue" placeholder="none" />
        }
      }
      <pz-quantity [label]="'Its ‹center› above the ground' | spell" path="platform.empty.height" />
      <h4>Axles, front to rear</h4>
      @for (a of p.axles; track $index) {
        <pz-quantity [label]="'Axle ' + ($index + 1) + ', from the deck’s front'" [path]="'platform.axles.' + $index + '.at'" />
        <pz-quantity [label]="'‹GAWR›' | spell" [path]="'platform.axles.' + $index + '.rating'" />
        <pz-quantity [label]="'its ‹tires› together' | spell" [path]="'platform.axles.' + $index + '.tyres'" placeholder="not said" />
        <pz-quantity label="track" [path]="'platform.axles.' + $index + '.track'" />
      }
      <div class="acts">
        @if (p.axles.length < 4) {
          <button type="button" mat-stroked-button class="small" (click)="addAxle()">Another axle</button>
        }
        @if (p.axles.length > (p.kind === 'trailer' ? 1 : 2)) {
          <button type="button" mat-stroked-button class="small" (click)="dropAxle()">One axle less</button>
        }
      </div>
      <pz-quantity [label]="'‹GVWR›' | spell" path="platform.gvwr" />
      @if (p.coupling) {
        <h4>{{ '‹Coupler›' | spell }}</h4>
        <pz-choice label="Kind" path="platform.coupling.kind" [options]="couplings" />
        <pz-quantity label="Ahead of the deck" path="platform.coupling.ahead" />
        <pz-quantity label="Most on it" path="platform.coupling.rating" />
        <pz-quantity label="Heaviest trailer" path="platform.coupling.gross" placeholder="not said" />
      }
      @if (p.tow) {
        <h4>What tows it</h4>
        <pz-name path="platform.tow.name" />
        <pz-quantity label="Wheelbase" path="platform.tow.wheelbase" />
        <pz-quantity label="Rear axle to coupling" path="platform.tow.overhang" />
        <pz-quantity label="Front axle, without the trailer" path="platform.tow.front" />
        <pz-quantity label="Rear axle, without the trailer" path="platform.tow.rear" />
        <pz-quantity label="Rear axle made for" path="platform.tow.rearRating" />
        <pz-quantity label="It may weigh" path="platform.tow.gvwr" />
        <pz-quantity label="Hitch rating" path="platform.tow.hitch" />
        <pz-quantity [label]="'‹GCWR›' | spell" path="platform.tow.combined" />
      }
      @for (r of p.riding ?? []; track r.id) {
        <pz-name label="Rides along" [path]="'platform.riding.' + $index + '.name'" />
        <pz-quantity label="weighs" [path]="'platform.riding.' + $index + '.mass'" />
        <pz-quantity label="from the deck’s front" [path]="'platform.riding.' + $index + '.at'" />
        <div class="acts">
          <button type="button" mat-stroked-button class="small" (click)="change('Leave it behind', (x) => removeRiding(x, r.id))">
            Leave {{ r.name }} behind
          </button>
        </div>
      }
      @if ((p.riding ?? []).length < 8) {
        <button type="button" mat-stroked-button class="small" (click)="change('Add a load', addRiding)">Add a load</button>
      }
      <h4>{{ '‹Wheel wells›' | spell }}</h4>
      @if (p.wheelBoxes) {
        <pz-quantity label="From the deck’s front" path="platform.wheelBoxes.from" />
        <pz-quantity label="Long" path="platform.wheelBoxes.length" />
        <pz-quantity label="Wide, each side" path="platform.wheelBoxes.width" />
        <pz-quantity label="High" path="platform.wheelBoxes.height" />
      } @else {
        <p class="quiet">None: the floor is flat.</p>
      }
      <div class="acts">
        @if (p.wheelBoxes) {
          <button type="button" mat-stroked-button class="small" (click)="change('No wheel wells', flat)">No {{ '‹wheel wells›' | spell }}</button>
        } @else {
          <button type="button" mat-stroked-button class="small" (click)="change('Wheel wells', addWheelBoxes)">It has {{ '‹wheel wells›' | spell }}</button>
        }
      </div>
      <h4>Floor that stays free</h4>
      @for (f of p.free ?? []; track f.id) {
        <pz-name label="What for" [path]="'platform.free.' + $index + '.name'" />
        <pz-quantity label="From the deck’s front" [path]="'platform.free.' + $index + '.x'" />
        <pz-quantity [label]="'From the ‹curb› side' | spell" [path]="'platform.free.' + $index + '.y'" />
        <pz-quantity label="Long" [path]="'platform.free.' + $index + '.length'" />
        <pz-quantity label="Wide" [path]="'platform.free.' + $index + '.width'" />
        <div class="acts">
          <button type="button" mat-stroked-button class="small" (click)="change('Use that floor', (x) => removeFree(x, f.id))">Use {{ f.name }} again</button>
        </div>
      } @empty {
        <p class="quiet">All of it may be stood on.</p>
      }
      @if ((p.free ?? []).length < 6) {
        <button type="button" mat-stroked-button class="small" (click)="change('Keep floor free', addFree)">Keep a piece free</button>
      }
    }
  `,
  styles: `
    h4 {
      margin: 12px 0 0;
    }
    .doors {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0 8px;
    }
    .acts {
      display: flex;
      gap: 6px;
      margin: 8px 0;
    }
  `,
})
export class PlatformFields {
  private readonly rig = inject(RigStore);
  protected readonly gates = [
    { value: '', name: 'None' },
    ...DOORS.map((value) => ({ value, name: { rear: 'Rear', kerb: spell('‹Curb› side'), street: 'Street side' }[value] })),
  ];
  protected readonly doors = DOORS.map((side) => ({ side, name: { rear: 'Rear', kerb: spell('‹Curb› side'), street: 'Street side' }[side] }));
  protected door(side: (typeof DOORS)[number], there: boolean): void {
    this.change(there ? 'A door' : 'One door less', (p) => setDoor(p, side, there));
  }
  protected readonly platform = computed(() => this.rig.document()?.platform);
  protected readonly kinds = words(PLATFORM_KINDS);
  protected readonly decks = words(DECK_MATERIALS);
  protected readonly coats = [{ value: '', name: 'Not said' }, ...words(DECK_COATS)];
  protected readonly brakes = words(BRAKES, { vehicle: 'The vehicle’s', surge: 'Overrun (surge)' });
  protected readonly couplings = words(COUPLINGS);
  protected readonly roads = [
    { value: '', name: 'Every filling' },
    { value: 'day', name: 'What the day fills' },
  ];
  protected readonly tellings = [
    { value: 'centre', name: spell('Weight and ‹center›') },
    { value: 'scale', name: 'What a scale shows' },
  ];
  /** Another height of the deck: what is told above the ground stays where it is in the world. */
  protected readonly lift = (d: { platform?: PlatformDocument }, text: string): void => void (d.platform!.height = text);

  protected tell(by: string): void {
    this.rig.edit('Empty weight', (d) => {
      const p = d.platform!;
      if (p.empty.by === by) return;
      const height = p.empty.height;
      p.empty = by === 'centre' ? { by, mass: '2000 lb', at: p.axles[0].at, height } : { by: 'scale', axles: p.axles.map(() => '1000 lb'), height };
    });
  }
  protected addAxle(): void {
    this.rig.edit('Another axle', (d) => {
      const p = d.platform!;
      const last = p.axles[p.axles.length - 1];
      const inches = Number.parseFloat(last.at);
      p.axles.push({ ...last, at: /in$/.test(last.at) && Number.isFinite(inches) ? `${inches + 34} in` : last.at });
      if (p.empty.by === 'scale') p.empty.axles.push('1000 lb');
      if (p.ticket) delete p.ticket;
      setPlatform(d, p);
    });
  }
  protected dropAxle(): void {
    this.rig.edit('One axle less', (d) => {
      const p = d.platform!;
      p.axles.pop();
      if (p.empty.by === 'scale') p.empty.axles.pop();
      if (p.ticket) delete p.ticket;
    });
  }
  protected readonly addRiding = addRiding;
  protected readonly removeRiding = removeRiding;
  protected readonly addWheelBoxes = addWheelBoxes;
  protected readonly addFree = addFree;
  protected readonly removeFree = removeFree;
  protected readonly flat = (p: PlatformDocument): void => void delete p.wheelBoxes;
  protected change(what: string, how: (p: PlatformDocument) => void): void {
    this.rig.edit(what, (d) => how(d.platform!));
  }
}
