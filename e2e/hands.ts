import type { ElementHandle, Page } from 'puppeteer-core';
import { WAIT_MS } from '../scripts/test-limits.mjs';
import { type appUnderTest, PHONE, type TestPage, type WIDE } from './harness';

/** How a page is asked again and again, ms: every frame would keep the machine busy with nothing else. */
const POLLING = 100;

/**
 * Finds what a screen reader would announce by this role and name; runs in the page. Roles are those of ARIA attributes and of the
 * elements the application is made of; the name is the label, else the text that is not hidden from screen readers.
 */
function findNamed(role: string, name: string): Element | null {
  const native: Record<string, string> = { link: 'a[href]', button: 'button', textbox: 'input', heading: 'h1,h2,h3' };
  const nameOf = (element: Element): string => {
    const label = element.getAttribute('aria-label');
    if (label !== null) return label;
    const copy = element.cloneNode(true) as Element;
    copy.querySelectorAll('[aria-hidden=true]').forEach((hidden) => hidden.remove());
    return copy.textContent ?? '';
  };
  // Texts side by side are announced with a space between them.
  const squeezed = (text: string) => text.replace(/\s+/g, '');
  const isHidden = (element: Element) => element.closest('[aria-hidden=true]') !== null;
  const found = [...document.querySelectorAll([`[role=${role}]`, native[role]].filter(Boolean).join(','))];
  return found.find((element) => !isHidden(element) && squeezed(nameOf(element)) === squeezed(name)) ?? null;
}

/** What a person can do with a page, by finger or by mouse. */
export class Hands {
  constructor(
    readonly test: TestPage,
    private readonly byTouch: boolean,
  ) {}

  get page(): Page {
    return this.test.page;
  }

  async press(selector: string, index = 0): Promise<void> {
    await this.pressFound(async () => {
      await this.page.waitForFunction(
        (css, least) => document.querySelectorAll(css).length > least,
        { timeout: WAIT_MS, polling: POLLING },
        selector,
        index,
      );
      return (await this.page.$$(selector))[index]!;
    });
  }

  /** Presses what a screen reader would announce by this name. */
  async pressNamed(role: string, name: string): Promise<void> {
    await this.pressFound(
      async () =>
        (
          await this.page.waitForFunction(findNamed, { timeout: WAIT_MS, polling: POLLING }, role, name)
        ).asElement() as ElementHandle<Element> | null,
    );
  }

  async fill(field: string, text: string): Promise<void> {
    const input = await this.page.waitForSelector(`[data-testid="${field}"]`, { timeout: WAIT_MS });
    await input?.scrollIntoView();
    await input?.focus();
    await this.page.keyboard.down('Control');
    await this.page.keyboard.press('a');
    await this.page.keyboard.up('Control');
    await this.page.keyboard.press('Backspace');
    // In one go, as a paste or a suggestion of the keyboard comes.
    if (text !== '') await this.page.keyboard.sendCharacter(text);
  }

  /** Waits until the page holds a text, given as a pattern. */
  async sees(pattern: RegExp): Promise<void> {
    const appeared = this.page.waitForFunction(
      (source, flags) => new RegExp(source, flags).test(document.body.innerText),
      { timeout: WAIT_MS, polling: POLLING },
      pattern.source,
      pattern.flags,
    );
    await appeared.catch(async () => {
      throw new Error(`waited for ${pattern}; the page says:\n${(await this.text()).slice(0, 2000)}`);
    });
  }

  /** Waits until the page no longer holds a text. */
  async gone(pattern: RegExp): Promise<void> {
    await this.page.waitForFunction(
      (source) => !new RegExp(source).test(document.body.innerText),
      { timeout: WAIT_MS, polling: POLLING },
      pattern.source,
    );
  }

  text(): Promise<string> {
    return this.page.evaluate(() => document.body.innerText);
  }

  count(selector: string): Promise<number> {
    return this.page.$$eval(selector, (all) => all.length);
  }

  /** Waits until everything on screen is confirmed by the server. */
  async saved(): Promise<void> {
    await this.page.waitForSelector('[data-testid=save-saved]', { timeout: WAIT_MS });
  }

  async goTo(step: string): Promise<void> {
    await this.pressNamed('link', step);
  }

  /** Looks again when what was found is drawn anew at that very moment, as a person would. */
  private async pressFound(find: () => Promise<ElementHandle<Element> | null>): Promise<void> {
    for (let tries = 1; ; tries++) {
      try {
        return await this.pressElement((await find()) as ElementHandle<Element>);
      } catch (error) {
        if (tries >= 10 || !/detached|not clickable|missed|Protocol error/i.test(String(error))) throw error;
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
    }
  }

  /** Presses it, and fails where it moved away at that moment, so that the press went to what stands there now. */
  private async pressElement(handle: ElementHandle<Element>): Promise<void> {
    await handle.scrollIntoView();
    const landed = await handle.evaluateHandle((element) => {
      const seen = { elsewhere: false };
      const onDown = ({ target }: Event) =>
        (seen.elsewhere = element.isConnected && !element.contains(target as Node | null));
      document.addEventListener('pointerdown', onDown, { once: true, capture: true });
      return seen;
    });
    if (this.byTouch) await handle.tap();
    else await handle.click();
    // A press that opened another document has landed, and so has one on what was drawn anew in its place.
    if (await landed.evaluate(({ elsewhere }) => elsewhere).catch(() => false))
      throw new Error('the press missed what it was for');
  }
}

/** Opens a page of the application, works on it, and makes sure that its console showed no error. */
export async function onPage(
  app: ReturnType<typeof appUnderTest>,
  path: string,
  size: typeof PHONE | typeof WIDE,
  work: (hands: Hands) => Promise<void>,
): Promise<void> {
  const hands = new Hands(await app.browser.open(app.server.url + path, size), size === PHONE);
  try {
    await work(hands);
    expect(hands.test.errors()).toEqual([]);
  } finally {
    await hands.page.close();
  }
}
