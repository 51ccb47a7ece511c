import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Subject } from 'rxjs';
import { blankWorkshop, type Documents, type KindName, type Saved, type Stored } from '@pozzo/core';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore, Store } from '@ngrx/store';
import { Api, ApiError, type Sending } from './api';
import * as keptEffects from './kept.effects';
import { keptFeature } from './kept.feature';
import { type KeptEdit, Outbox } from './outbox';
import { BuildEffects, WorkshopEffects } from './record.effects';
import { openBuild, openWorkshop } from './record.feature';
import { SettingsActions, settingsFeature } from './settings.feature';
import { WorkshopStore } from './workshop-store';

/** A server that holds one workshop, or none yet. */
class FakeApi {
  version = 0;
  document = blankWorkshop();
  away = false;
  readonly asked: { kind: KindName; version: number; by?: string }[] = [];
  async get(_kind: KindName, id: string): Promise<Stored<Documents['workshop']>> {
    if (this.away) throw new ApiError(0, 'The server is away.');
    return { id, version: this.version, document: this.document, updatedAt: '' };
  }
  async save(kind: KindName, id: string, version: number, document: Documents['workshop'], { by }: Sending): Promise<Saved> {
    this.asked.push({ kind, version, by });
    if (this.away) throw new ApiError(0, 'The server is away.');
    if (version !== this.version) throw new ApiError(409, 'stale', 'stale', { current: await this.get(kind, id) });
    this.document = document;
    return { id, version: ++this.version, updatedAt: '2026-01-01T00:01:00.000Z' };
  }
}
class FakeOutbox {
  readonly tab = 'me';
  readonly usable = new Subject<void>();
  readonly edits: KeptEdit[] = [];
  async keep(edit: Omit<KeptEdit, 'tab' | 'at'>): Promise<void> {
    await this.forget(edit);
    this.edits.push({ ...edit, tab: 'me', at: '2026' });
  }
  async mine({ kind, id }: KeptEdit): Promise<KeptEdit | undefined> {
    return this.edits.find((e) => e.kind === kind && e.id === id);
  }
  async forget({ kind, id }: Pick<KeptEdit, 'kind' | 'id'>): Promise<void> {
    this.edits.splice(0, this.edits.length, ...this.edits.filter((e) => e.kind !== kind || e.id !== id));
  }
  async adopt(): Promise<void> {}
  async left(): Promise<readonly KeptEdit[]> {
    return [...this.edits];
  }
  async leftOf({ kind, id }: KeptEdit): Promise<readonly KeptEdit[]> {
    return this.edits.filter((e) => e.kind === kind && e.id === id);
  }
}

function setUp() {
  const api = new FakeApi();
  const outbox = new FakeOutbox();
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      provideStore(),
      ...[openBuild, openWorkshop].map((o) => provideState(o as never)),
      provideState(keptFeature),
      provideState(settingsFeature),
      provideEffects(BuildEffects, WorkshopEffects, keptEffects),
      { provide: Api, useValue: api },
      { provide: Outbox, useValue: outbox },
    ],
  });
  return { api, outbox, store: TestBed.inject(Store), workshop: TestBed.inject(WorkshopStore) };
}
const pass = (ms: number): Promise<unknown> => jest.advanceTimersByTimeAsync(ms);
beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

test('the first save of the workshop goes over nothing, with who made it; undo goes over that', async () => {
  const { api, outbox, store, workshop } = setUp();
  store.dispatch(SettingsActions.setBy({ by: 'Crew A' }));
  workshop.open('own');
  await pass(0);
  expect(workshop.document()).toEqual(blankWorkshop());
  workshop.edit('Name', (d) => void (d.name = 'Rigworks'));
  await pass(10);
  expect(outbox.edits).toMatchObject([{ kind: 'workshop', id: 'own', version: 0, by: 'Crew A', document: { name: 'Rigworks' } }]);
  await pass(600);
  expect(api.asked).toEqual([{ kind: 'workshop', version: 0, by: 'Crew A' }]);
  expect(outbox.edits).toEqual([]);
  workshop.undo();
  await pass(600);
  expect([api.version, api.document.name, workshop.state().save]).toEqual([2, '', 'saved']);
});
test('one that is left while the server is away is kept, and sent when it is back without being opened', async () => {
  const { api, outbox, workshop } = setUp();
  workshop.open('own');
  await pass(0);
  api.away = true;
  workshop.edit('Name', (d) => void (d.name = 'Rigworks'));
  await pass(600);
  workshop.close();
  await pass(100);
  expect(outbox.edits).toHaveLength(1);
  api.away = false;
  window.dispatchEvent(new Event('online'));
  await pass(100);
  expect([api.version, api.document.name, outbox.edits.length]).toEqual([1, 'Rigworks', 0]);
});
test('two that begin it at once: the second is asked, and nothing is lost', async () => {
  const { api, workshop } = setUp();
  workshop.open('own');
  await pass(0);
  workshop.edit('Name', (d) => void (d.name = 'Mine'));
  api.version = 1;
  api.document = { ...blankWorkshop(), name: 'Theirs' };
  await pass(600);
  expect([workshop.state().save, workshop.state().conflict?.document.name, workshop.document()?.name]).toEqual(['conflict', 'Theirs', 'Mine']);
  workshop.keepMine();
  await pass(600);
  expect([api.version, api.document.name]).toEqual([2, 'Mine']);
});
