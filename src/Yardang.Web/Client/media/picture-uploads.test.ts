import assert from 'node:assert/strict';
import { test } from 'node:test';
import { titleOfFile } from './picture-uploads';

test('a picture is called what its author called it, and nothing where a camera did', () => {
  assert.equal(titleOfFile({ name: 'paper bridge.png' }), 'paper bridge');
  assert.equal(titleOfFile({ name: 'our.model.v2.jpeg' }), 'our.model.v2');
  for (const name of [
    'image.png',
    'IMG_20261128_101500.jpg',
    'DSC0042.JPG',
    'PXL_1.jpg',
    '20261128.jpg',
    'Screenshot (3).png',
    'foto.webp',
  ])
    assert.equal(titleOfFile({ name }), '', name);
});
