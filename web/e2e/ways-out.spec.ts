import { writeFileSync } from 'node:fs';
import { expect, test } from './test';
import { importStudy, settled, toStep } from './sheet.ts';

/** E2 and F2, both only on ⑥, struck together and followed by C3. */
const note = (step: string, octave: number, chord = false): string =>
  `<note>${chord ? '<chord/>' : ''}<pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>2</duration><type>half</type></note>`;
const PIECE = `<?xml version="1.0" encoding="UTF-8"?>
<score-partwise version="4.0"><work><work-title>Two on Six</work-title></work><part-list><score-part id="P1"><part-name>Guitar</part-name></score-part></part-list><part id="P1"><measure number="1"><attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line><clef-octave-change>-1</clef-octave-change></clef></attributes>${note('E', 2)}${note('F', 2, true)}${note('C', 3)}</measure></part></score-partwise>`;

test('a moment no hand can hold says why, offers ways out, and one of them is taken and taken back', async ({
  page,
}, info) => {
  const path = info.outputPath('two-on-six.musicxml');
  writeFileSync(path, PIECE);
  await importStudy(page, path);
  await toStep(page, 'Shapes');
  const findings = page.getByRole('region', { name: 'To look at' });
  await expect(findings).toContainText('both need string 6');
  await findings.getByRole('button', { name: 'Ways out', exact: true }).click();
  const ways = findings.getByRole('list', { name: 'Ways out' });
  await expect(ways).toContainText('an octave higher');
  await expect(ways).toContainText('leave it out');

  await ways.getByRole('button', { name: /F.*octave higher/ }).click();
  await settled(page);
  await expect(findings).toHaveCount(0);
  await expect(page.locator('[data-finger-of]')).toHaveCount(3);
  await page.keyboard.press('Control+z');
  await settled(page);
  await expect(findings).toContainText('both need string 6');
});
