import { expect, type Locator, type Page } from '@playwright/test';

/** A keyboard whose presses are counted, part by part. */
export function countedKeys(page: Page) {
  const parts: { readonly name: string; readonly presses: number; readonly seconds: number }[] = [];
  let presses = 0;
  let partBegan = { presses: 0, at: Date.now() };
  const press = async (key: string, times = 1) => {
    for (let time = 0; time < times; time += 1) await page.keyboard.press(key);
    presses += times;
  };
  return {
    press,
    type: async (text: string) => {
      await page.keyboard.type(text);
      presses += text.length;
    },
    /** Presses Tab until the focus is there. */
    tabTo: async (target: Locator, most = 60) => {
      for (let tab = 0; tab < most; tab += 1) {
        if (await target.evaluate(element => element === document.activeElement).catch(() => false)) return;
        await press('Tab');
      }
      await expect(target).toBeFocused();
    },
    /** Presses the arrow down until the focus is there. */
    downTo: async (target: Locator, most = 60) => {
      for (let step = 0; step < most; step += 1) {
        if (await target.evaluate(element => element === document.activeElement)) return;
        await press('ArrowDown');
      }
      await expect(target).toBeFocused();
    },
    part: (name: string) => {
      parts.push({
        name,
        presses: presses - partBegan.presses,
        seconds: Math.round((Date.now() - partBegan.at) / 100) / 10,
      });
      partBegan = { presses, at: Date.now() };
    },
    all: () => presses,
    told: () => parts.map(part => `${part.name}: ${part.presses} presses, ${part.seconds} s`).join('\n'),
  };
}
