import { Injectable } from '@angular/core';
import { OpenRecord } from './open-record';
import { openWorkshop } from './record.feature';

/** The workshop itself, for its page. */
@Injectable({ providedIn: 'root' })
export class WorkshopStore extends OpenRecord<'workshop'> {
  constructor() {
    super(openWorkshop);
  }
}
