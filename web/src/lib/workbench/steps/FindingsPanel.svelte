<script lang="ts">
  import { findingWords, repairWords, say } from '../../words.ts';
  import { noteById, findingKey, type Finding } from '@oculon/core';
  import { CircleAlert, Info, TriangleAlert, X } from '@lucide/svelte';
  import ShiftWays from './ShiftWays.svelte';
  import WaysOut from './WaysOut.svelte';
  import WithoutBarre from './WithoutBarre.svelte';
  import { stepOf, type WorkStep } from './work-steps.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import type { OpenFindings } from '../open-findings.svelte.ts';

  interface Props {
    /** The step whose findings are shown. */
    step: WorkStep;
    piece: OpenPiece;
    decisions: Decisions;
    planned: CurrentPlan;
    findings: OpenFindings;
    onjump: (note: number) => void;
    ondone: () => void;
  }
  const { step, piece, decisions, planned, findings, onjump, ondone }: Props = $props();

  const HAS_WAYS_OUT = new Set(['unplayable-note', 'held-note-cut']);
  /** What gives way because something was fixed: setting the note free again is the remedy. */
  const IS_ABOUT_A_LOCK = new Set([
    'lock-not-kept',
    'pluck-lock-not-kept',
    'school-not-kept',
    'repeat-at-speed',
  ]);
  const ICONS = { error: CircleAlert, warning: TriangleAlert, remark: Info } as const;

  /** The finding for which a reason is being written. */
  let dismissing = $state<string>();
  let reason = $state('');

  const all = $derived(planned.plan?.findings ?? []);
  const open = $derived(findings.of(step));
  const aside = $derived(
    all.filter(
      (finding) => stepOf(finding) === step && decisions.fingering.dismissed.has(findingKey(finding)),
    ),
  );

  const ABOUT_A_SHIFT = new Set(['gap-at-shift', 'upbeat-torn', 'dotted-shrinks']);
  const shiftOf = (finding: Finding) =>
    planned.plan?.shifts.find(({ onset }) => onset === noteOf(finding)?.onset);
  const barreOf = (finding: Finding) =>
    planned.movements?.barreCare.find(({ barre }) => barre.onset === noteOf(finding)?.onset)?.barre;
  /** For findings that one action answers, that action. */
  const fixes = $derived(new Map(planned.movementsOf === planned.plan ? planned.movements?.fixes : []));
  const fix = (finding: Finding) => {
    const action = fixes.get(findingKey(finding));
    if (action) decisions.applyFix(action);
    ondone();
  };
  const noteOf = ({ note }: Finding) => piece.score && noteById(piece.score, note);
  const jump = (finding: Finding) => {
    const note = noteOf(finding);
    if (note) onjump(note.index);
  };
  const walk = (direction: 1 | -1) => {
    const found = findings.fromCaret(direction, open);
    if (found) onjump(found.note);
  };
  const dismiss = (finding: Finding) => {
    decisions.dismiss(findingKey(finding), reason.trim() || 'seen');
    dismissing = undefined;
    reason = '';
    ondone();
  };
  const isFixed = (finding: Finding): boolean => {
    const note = noteOf(finding);
    const choice = note && decisions.fingering.choices.get(note.id);
    return choice !== undefined && (choice.string != null || choice.finger != null || choice.pluck != null);
  };
  const free = (finding: Finding) => {
    const note = noteOf(finding);
    if (note) decisions.choose(note, { string: undefined, finger: undefined, pluck: undefined });
    ondone();
  };
</script>

{#if open.length > 0}
  <section aria-label="To look at">
    <div class="flex items-center justify-between">
      <h2 class="text-base">To look at ({open.length})</h2>
      <span>
        <button class="btn btn-ghost btn-xs" aria-label="Finding before" onclick={() => walk(-1)}>←</button>
        <button class="btn btn-ghost btn-xs" aria-label="Next finding" onclick={() => walk(1)}>→</button>
      </span>
    </div>
    <ul class="mt-1 space-y-1 text-sm">
      {#each open as finding, index (index)}
        {@const Icon = ICONS[finding.severity]}
        {@const key = `${findingKey(finding)}${index}`}
        <li>
          <div class="flex items-start gap-1">
            <button
              class="flex grow gap-2 rounded px-1 text-left hover:bg-base-200"
              onclick={() => jump(finding)}
            >
              <Icon class="mt-0.5 size-4 shrink-0 text-warning" aria-label={finding.severity} />
              <span>{findingWords(finding)}</span>
            </button>
            <button
              class="btn btn-ghost btn-xs btn-square"
              aria-label="Put aside: {findingWords(finding)}"
              onclick={() => (dismissing = dismissing === key ? undefined : key)}><X class="size-3" /></button
            >
          </div>
          {#if dismissing === key}
            <form
              class="flex gap-1 py-1 pl-7"
              onsubmit={(event) => {
                event.preventDefault();
                dismiss(finding);
              }}
            >
              <input
                class="input input-xs grow"
                placeholder="why it may stay so"
                maxlength="200"
                aria-label="Reason"
                bind:value={reason}
              />
              <button class="btn btn-xs">Put aside</button>
            </form>
          {/if}
          {#if fixes.has(findingKey(finding))}
            <div class="pl-7">
              <button class="btn btn-xs" disabled={planned.planning} onclick={() => fix(finding)}
                >{say(`fix.${fixes.get(findingKey(finding))!.code}`)}</button
              >
            </div>
          {/if}
          {#if ABOUT_A_SHIFT.has(finding.code)}
            {@const shift = shiftOf(finding)}
            {#if shift}
              <div class="pl-7"><ShiftWays {piece} {decisions} {planned} slice={shift.slice} {ondone} /></div>
            {/if}
          {:else if finding.code === 'barre-too-long'}
            {@const barre = barreOf(finding)}
            {#if barre}
              <div class="pl-7">
                <WithoutBarre {decisions} {planned} onset={barre.onset} until={barre.until} {ondone} />
              </div>
            {/if}
          {/if}
          {#if finding.note && HAS_WAYS_OUT.has(finding.code)}
            <div class="pl-7"><WaysOut {piece} {decisions} {planned} note={finding.note} {ondone} /></div>
          {:else if IS_ABOUT_A_LOCK.has(finding.code) && isFixed(finding)}
            <div class="pl-7">
              <button class="btn btn-xs" onclick={() => free(finding)}>Leave the note to Oculon</button>
            </div>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/if}
{#if aside.length > 0}
  <details class="text-sm">
    <summary class="cursor-pointer">Put aside ({aside.length})</summary>
    <ul class="mt-1 space-y-1" aria-label="Put aside">
      {#each aside as finding, index (index)}
        <li class="flex items-start justify-between gap-2">
          <span class="opacity-80"
            >{findingWords(finding)} <i>{decisions.fingering.dismissed.get(findingKey(finding))}</i></span
          >
          <button class="btn btn-ghost btn-xs" onclick={() => decisions.dismiss(findingKey(finding), null)}
            >Show again</button
          >
        </li>
      {/each}
    </ul>
  </details>
{/if}
{#if step === 'read' && piece.repairs.length > 0}
  <details class="text-sm">
    <summary class="cursor-pointer">Mended while reading ({piece.repairs.length})</summary>
    <ul class="mt-1 list-disc space-y-1 pl-5">
      {#each piece.repairs as repair, index (index)}<li>{repairWords(repair)}</li>{/each}
    </ul>
  </details>
{/if}
