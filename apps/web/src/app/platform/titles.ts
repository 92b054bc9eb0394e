import { Injectable, inject } from '@angular/core';
import { Title } from '@angular/platform-browser';
import { type RouterStateSnapshot, TitleStrategy } from '@angular/router';

/** What the tab of the browser says: the place, and the application. */
@Injectable({ providedIn: 'root' })
export class Titles extends TitleStrategy {
  private readonly title = inject(Title);

  override updateTitle(snapshot: RouterStateSnapshot): void {
    const place = this.buildTitle(snapshot);
    if (place !== undefined) this.say(place);
  }
  /** Says a place that has a name of its own. */
  say(place: string): void {
    this.title.setTitle(`${place} - Druckerei`);
  }
}
