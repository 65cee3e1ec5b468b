import AxeBuilder from '@axe-core/playwright';
import { expect } from '@playwright/test';

/** Nothing stands in anybody's way on a page that axe can find. */
export async function noBarrier(page) {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes[0].html}`)).toEqual([]);
}
