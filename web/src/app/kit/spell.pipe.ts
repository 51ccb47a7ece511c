import { Pipe, type PipeTransform } from '@angular/core';
import { spell } from '@pozzo/core/page';

/** A template's text with its terms as the reader's locale has them: `{{ '‹Spigot› above the ground' | spell }}`. */
@Pipe({ name: 'spell' })
export class SpellPipe implements PipeTransform {
  transform(text: string): string {
    return spell(text);
  }
}
