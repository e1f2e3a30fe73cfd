<script lang="ts">
  import type { Edit } from '@oculon/core';
  import type { ComponentProps } from 'svelte';
  import NotFetched from '../../NotFetched.svelte';
  import Part from '../../Part.svelte';
  import QuestionsPanel from '../../handouts/QuestionsPanel.svelte';
  import type { VersionMessage } from '../../planner/api.ts';
  import type { Workbench } from '../workbench.svelte.ts';
  import type CorrectNote from '../correcting/CorrectNote.svelte';
  import BarreList from './BarreList.svelte';
  import FindingsPanel from './FindingsPanel.svelte';
  import FormPanel from './FormPanel.svelte';
  import HandOverPanel from './HandOverPanel.svelte';
  import HardSpots from './HardSpots.svelte';
  import MarksPanel from './MarksPanel.svelte';
  import MovementPanel from './MovementPanel.svelte';
  import PassagePanel from './PassagePanel.svelte';
  import RightHandPanel from './RightHandPanel.svelte';
  import SetupPanel from './SetupPanel.svelte';
  import ShapeList from './ShapeList.svelte';
  import ShiftList from './ShiftList.svelte';
  import WalkPanel from './WalkPanel.svelte';
  import { STEP_WORDS } from './work-steps.ts';

  interface Props {
    workbench: Workbench;
    /** The version that this one was made from for another hand. */
    origin: { readonly name: string; readonly edits: readonly Edit[] } | undefined;
    student: string;
    questions: ComponentProps<typeof QuestionsPanel>['questions'];
    /** Where the version's own pages lie. */
    address: string;
    /** Where the text of the piece is corrected, when it was typed in here. */
    correcting: string | undefined;
    /** The piece and the part of its file that is read. */
    source: ComponentProps<typeof CorrectNote>['source'];
    onjump: (note: number) => void;
    onread: (question: string) => void;
    onhear: (version: VersionMessage, bar: number) => void;
    ondone: () => void;
  }
  const {
    workbench,
    origin,
    student,
    questions,
    address,
    correcting,
    source,
    onjump,
    onread,
    onhear,
    ondone,
  }: Props = $props();

  const { piece, decisions, planned, caret, marks, findings, view } = $derived(workbench);
  const { step } = $derived(view);
  /** Fetched with the page, but only for versions that were made from another one. */
  const handPanel = $derived(origin && import('./HandPanel.svelte'));
</script>

<section class="space-y-4" aria-labelledby="step-name" data-step={step}>
  <header>
    <h2 id="step-name" class="text-lg leading-tight">{STEP_WORDS[step].name}</h2>
    <p class="text-xs opacity-80">{STEP_WORDS[step].purpose}</p>
  </header>
  <Part name="Findings">
    {#key step}<FindingsPanel {step} {piece} {decisions} {planned} {findings} {onjump} {ondone} />{/key}
  </Part>
  {#if step === 'read'}
    {#if correcting}<a class="btn btn-sm" href={correcting}>Correct what was typed</a>{/if}
    <Part name="Form"><FormPanel {piece} {decisions} {planned} {onjump} {ondone} /></Part>
    <Part name="Hand, instrument, schools"><SetupPanel {piece} {decisions} /></Part>
    {#if !correcting}
      <!-- It works with a network alone, and so it may come by one. -->
      <Part name="A wrong note">
        {#await import('../correcting/CorrectNote.svelte') then { default: CorrectNote }}
          <CorrectNote {source} {piece} {decisions} {planned} {caret} />
        {:catch}
          <NotFetched />
        {/await}
      </Part>
    {/if}
  {:else if step === 'shapes'}
    <Part name="Shapes"><ShapeList {piece} {planned} {caret} {onjump} /></Part>
  {:else if step === 'left'}
    {#if origin && handPanel}
      <Part name="For another hand">
        {#await handPanel then { default: HandPanel }}
          <HandPanel {piece} {decisions} {planned} {origin} {student} {onjump} {onhear} {ondone} />
        {:catch}
          <NotFetched />
        {/await}
      </Part>
    {/if}
    <Part name="Passage"
      ><PassagePanel {piece} {decisions} otherWays={workbench.otherWays} {caret} {ondone} /></Part
    >
  {:else if step === 'shifts'}
    <Part name="Shifts"><ShiftList {piece} {decisions} {planned} {caret} {onjump} {ondone} /></Part>
    <Part name="Movements"><MovementPanel {piece} {planned} {caret} /></Part>
  {:else if step === 'right'}
    <Part name="Right hand"><RightHandPanel {piece} {decisions} {planned} {caret} {ondone} /></Part>
  {:else if step === 'details'}
    <Part name="Marks"><MarksPanel {piece} {decisions} {planned} {caret} {marks} {ondone} /></Part>
    <Part name="Barres"><BarreList {piece} {decisions} {planned} {onjump} {ondone} /></Part>
  {:else if step === 'hard'}
    <Part name="Hard spots"><HardSpots {piece} {planned} {onjump} /></Part>
    <Part name="In words"><WalkPanel {piece} {decisions} {planned} {caret} /></Part>
  {:else}
    <Part name="Questions"><QuestionsPanel {questions} {piece} {onjump} {onread} /></Part>
    <Part name="Hand over"><HandOverPanel {view} {address} /></Part>
  {/if}
</section>
