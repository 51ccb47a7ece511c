import { DOCUMENT, ErrorHandler, inject, Injectable, signal } from '@angular/core';
import { NavigationEnd, NavigationError, Router } from '@angular/router';

/** How often it is looked whether the server is back, ms. */
const LOOK_MS = 3000;
/** A page that was loaded anew for the same address so lately is not loaded anew again, ms. */
const LOADED_LATELY_MS = 30_000;
const LOADED = 'pozzo-loaded-anew';

/** Whether a piece of the application could not be fetched: every browser says it in words of its own. */
export const isMissingPiece = (error: unknown): boolean =>
  error instanceof Error && /dynamically imported module|importing a module script failed|error loading dynamically|ChunkLoadError/i.test(error.message);

/**
 * Stations and dialogs are fetched when they are first opened. Where that fails it is told, what was open stays open with all
 * that was typed, and the way goes on when the server is back.
 */
@Injectable({ providedIn: 'root' })
export class Away {
  private readonly router = inject(Router);
  private readonly document = inject(DOCUMENT);
  private clock: ReturnType<typeof setInterval> | undefined;
  /** What could not be fetched: the address that was asked for, or '' for a part of the page that is open; null for nothing. */
  readonly missing = signal<string | null>(null);
  /** The server answered since. */
  private back = false;

  constructor() {
    this.router.events.subscribe((event) => {
      if (event instanceof NavigationEnd) this.found();
      else if (event instanceof NavigationError && isMissingPiece(event.error)) this.missed(event.url);
    });
  }

  /** A part of the page that is open could not be fetched. */
  missedPart(): void {
    if (this.missing() === null) this.missed('');
  }

  private missed(url: string): void {
    if (this.missing() === url && this.back) return void this.stillMissing(url);
    this.back = false;
    this.missing.set(url);
    this.clock ??= setInterval(() => void this.look(), LOOK_MS);
  }

  /** It could not be fetched though the server had answered: another version is there, or the browser remembers the failure. */
  private async stillMissing(url: string): Promise<void> {
    if (await answers()) return this.loadAnew(url);
    this.back = false;
    this.missed(url);
  }

  private found(): void {
    if (this.missing() === '') return;
    this.stop();
    this.missing.set(null);
  }
  private stop(): void {
    clearInterval(this.clock);
    this.clock = undefined;
  }

  /** Goes on where the server is back. */
  async look(): Promise<void> {
    const url = this.missing();
    if (url === null || !(await answers()) || this.missing() !== url) return;
    if (this.back) return this.loadAnew(url);
    this.back = true;
    this.stop();
    if (url) await this.router.navigateByUrl(url).catch(() => undefined);
  }

  /** Loads the whole page anew, at the address that was asked for; edits are kept in this browser. */
  loadAnew(url = this.missing() || this.router.url): void {
    const last = Number(sessionStorageOr(this.document)?.getItem(LOADED) ?? 0);
    if (Date.now() - last < LOADED_LATELY_MS) return;
    sessionStorageOr(this.document)?.setItem(LOADED, String(Date.now()));
    this.document.defaultView?.location.assign(url);
  }
}

const answers = (): Promise<boolean> =>
  fetch('/api/v1/health', { cache: 'no-store' }).then(
    (r) => r.ok,
    () => false,
  );

function sessionStorageOr(document: Document): Storage | undefined {
  try {
    return document.defaultView?.sessionStorage;
  } catch {
    return undefined;
  }
}

/** Errors that nobody caught: what could not be fetched is told on the page, the rest as ever. */
@Injectable()
export class TellMissing extends ErrorHandler {
  private readonly away = inject(Away);

  override handleError(error: unknown): void {
    const inner = (error as { rejection?: unknown } | null)?.rejection ?? error;
    if (isMissingPiece(inner)) this.away.missedPart();
    else super.handleError(error);
  }
}
