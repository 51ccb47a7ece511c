import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, contentChildren, Directive, inject, input, signal, TemplateRef } from '@angular/core';
import { MatSortModule, type Sort } from '@angular/material/sort';
import { MatTableModule } from '@angular/material/table';

export interface Column {
  readonly id: string;
  readonly name: string;
  /** Figures stand at the right. */
  readonly number?: boolean;
  /** Rows can be put in the order of this column. */
  readonly sorts?: boolean;
}

export interface Cell {
  readonly text: string;
  /** What it is ordered by; left out, its words. */
  readonly by?: number;
  readonly shout?: boolean;
}

export interface TableRow {
  readonly id: string;
  readonly cells: Readonly<Record<string, string | Cell>>;
  /** The one there is, or the one to take. */
  readonly mark?: 'now' | 'best';
}

/** How the cells of a column are drawn, where words are not enough: `<ng-template pzCell="way" let-row>`. */
@Directive({ selector: '[pzCell]' })
export class CellTemplate {
  readonly column = input.required<string>({ alias: 'pzCell' });
  readonly template = inject<TemplateRef<{ $implicit: never }>>(TemplateRef);
}

const cellOf = (row: TableRow, column: string): Cell => {
  const cell = row.cells[column] ?? '';
  return typeof cell === 'string' ? { text: cell } : cell;
};

/** Rows side by side; where they are compared a press on a column's head puts them in its order, a third in their own again. */
@Component({
  selector: 'pz-table',
  imports: [MatSortModule, MatTableModule, NgTemplateOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table mat-table [dataSource]="sorted()" [trackBy]="byId" matSort (matSortChange)="order.set($event)" [attr.aria-label]="label()">
      @for (c of columns(); track c.id; let first = $first) {
        <ng-container [matColumnDef]="c.id">
          <th
            mat-header-cell
            *matHeaderCellDef
            [mat-sort-header]="c.id"
            [disabled]="!c.sorts"
            [arrowPosition]="c.number ? 'before' : 'after'"
            [class.number]="c.number"
          >
            {{ c.name }}
          </th>
          <td
            mat-cell
            *matCellDef="let row"
            [attr.role]="first ? 'rowheader' : null"
            [class.number]="c.number"
            [class.head]="first"
            [class.shout]="cell(row, c.id).shout"
          >
            @if (templates()[c.id]; as t) {
              <ng-container [ngTemplateOutlet]="t" [ngTemplateOutletContext]="{ $implicit: row }" />
            } @else {
              {{ cell(row, c.id).text }}
            }
          </td>
        </ng-container>
      }
      @if (headed()) {
        <tr mat-header-row *matHeaderRowDef="ids()"></tr>
      }
      <tr mat-row *matRowDef="let row; columns: ids()" [class]="row.mark ?? ''"></tr>
    </table>
  `,
  styles: `
    :host {
      display: block;
      margin: 6px 0 14px;
      overflow-x: auto;
    }
    table {
      width: 100%;
      background: none;
      --mat-table-row-item-container-height: 32px;
      --mat-table-header-container-height: 32px;
    }
    .mat-mdc-header-cell,
    .mat-mdc-cell {
      padding: 4px 12px 4px 0;
      line-height: 1.25;
    }
    .mat-mdc-header-cell {
      font-weight: 600;
    }
    .number {
      text-align: right;
    }
    .head {
      font-weight: 600;
    }
    tr.now .mat-mdc-cell {
      background: var(--ground);
    }
    tr.best .mat-mdc-cell {
      background: var(--water-pale);
    }
  `,
})
export class DataTable {
  readonly label = input.required<string>();
  readonly columns = input.required<readonly Column[]>();
  readonly rows = input.required<readonly TableRow[]>();
  private readonly given = contentChildren(CellTemplate);
  protected readonly templates = computed(
    () => Object.fromEntries(this.given().map((g) => [g.column(), g.template])) as Record<string, TemplateRef<unknown> | undefined>,
  );
  protected readonly ids = computed(() => this.columns().map((c) => c.id));
  protected readonly headed = computed(() => this.columns().some((c) => c.name));
  protected readonly order = signal<Sort>({ active: '', direction: '' });
  protected readonly cell = cellOf;
  /** A row stays the one it was while its figures change: what is typed in it keeps its place. */
  protected readonly byId = (_: number, row: TableRow): string => row.id;
  protected readonly sorted = computed<TableRow[]>(() => {
    const { active, direction } = this.order();
    const rows = [...this.rows()];
    if (!direction) return rows;
    const sign = direction === 'asc' ? 1 : -1;
    return rows.sort((a, b) => {
      const [x, y] = [cellOf(a, active), cellOf(b, active)];
      return sign * (x.by !== undefined && y.by !== undefined ? x.by - y.by : x.text.localeCompare(y.text, 'en', { numeric: true }));
    });
  });
}
