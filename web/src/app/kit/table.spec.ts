import { Component } from '@angular/core';
import { bench, render } from '../testing/render';
import { CellTemplate, type Column, DataTable, type TableRow } from './table';

const columns: readonly Column[] = [
  { id: 'name', name: 'Tank', sorts: true },
  { id: 'days', name: 'Short days', number: true, sorts: true },
];
const rows: readonly TableRow[] = [
  { id: 'a', cells: { name: '100 gal', days: { text: '9 %', by: 0.09 } }, mark: 'now' },
  { id: 'b', cells: { name: '25 gal', days: { text: '12 %', by: 0.12, shout: true } } },
  { id: 'c', cells: { name: '225 gal', days: { text: '2 %', by: 0.02 } }, mark: 'best' },
];

@Component({
  imports: [CellTemplate, DataTable],
  template: `<pz-table label="Sizes" [columns]="columns" [rows]="rows"
    ><ng-template pzCell="name" let-row>({{ row.id }})</ng-template></pz-table
  >`,
})
class Host {
  protected readonly columns = columns;
  protected readonly rows = rows;
}

beforeEach(() => void bench());
const column = (root: HTMLElement, i: number): string[] => [...root.querySelectorAll(`tbody tr td:nth-child(${i})`)].map((t) => t.textContent.trim());

describe('a table', () => {
  test('stands in its own order; a press on a head puts it in that of its figures, a third back', async () => {
    const s = render(DataTable, { label: 'Sizes', columns, rows });
    expect(column(s.root, 1)).toEqual(['100 gal', '25 gal', '225 gal']);
    const head = [...s.root.querySelectorAll<HTMLElement>('.mat-sort-header-container')][1];
    head.click();
    await s.settle();
    expect(column(s.root, 2)).toEqual(['2 %', '9 %', '12 %']);
    head.click();
    await s.settle();
    expect(column(s.root, 2)).toEqual(['12 %', '9 %', '2 %']);
    head.click();
    await s.settle();
    expect(column(s.root, 2)).toEqual(['9 %', '12 %', '2 %']);
  });
  test('words with numbers in them sort by the numbers', async () => {
    const s = render(DataTable, { label: 'Sizes', columns, rows });
    s.root.querySelector<HTMLElement>('.mat-sort-header-container')!.click();
    await s.settle();
    expect(column(s.root, 1)).toEqual(['25 gal', '100 gal', '225 gal']);
  });
  test('marks the row there is and the one to take, and shouts in a cell', () => {
    const s = render(DataTable, { label: 'Sizes', columns, rows });
    expect([...s.root.querySelectorAll('tbody tr')].map((r) => ['now', 'best'].filter((c) => r.classList.contains(c)).join())).toEqual(['now', '', 'best']);
    expect(s.root.querySelector('td.shout')!.textContent.trim()).toBe('12 %');
    expect(s.root.querySelector('table')!.getAttribute('aria-label')).toBe('Sizes');
  });
  test('a column may be drawn by whoever holds the table; one without heads has none', () => {
    expect(column(render(Host).root, 1)).toEqual(['(a)', '(b)', '(c)']);
    const bare = render(DataTable, { label: 'x', columns: columns.map((c) => ({ ...c, name: '' })), rows });
    expect(bare.root.querySelector('thead tr')).toBeNull();
  });
});
