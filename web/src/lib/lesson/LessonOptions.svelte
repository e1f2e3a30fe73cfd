<script lang="ts">
  import { DENSITIES, DEPTHS, type Depth } from '@oculon/core';
  import { DENSITY_NAMES, LANGUAGE_NAMES, NOTE_NAMES } from '../shell/choices.ts';
  import { LONGEST_REMARKS, PAPERS, type Lesson, type Paper } from './lesson.ts';

  interface Props {
    lesson: Lesson;
    remarks: string;
    student: string;
  }
  let { lesson, remarks = $bindable(), student = $bindable() }: Props = $props();

  const DEPTH_NAMES: Readonly<Record<Depth, string>> = {
    brief: 'In brief',
    shapes: 'Shapes',
    bars: 'Bar by bar',
    slow: 'Slow motion',
  };
</script>

<form class="space-y-3 text-sm" onsubmit={(event) => event.preventDefault()}>
  <label class="block"
    >For
    <input
      class="input input-sm mt-1 w-full"
      maxlength="100"
      bind:value={student}
      placeholder="a student"
    /></label
  >
  <label class="block"
    >Marks
    <select class="select select-sm mt-1 w-full" bind:value={lesson.density}>
      {#each DENSITIES as density (density)}<option value={density}>{DENSITY_NAMES[density]}</option>{/each}
    </select></label
  >
  <label class="block"
    >In words
    <select class="select select-sm mt-1 w-full" bind:value={lesson.depth}>
      <option value={null}>No words</option>
      {#each DEPTHS as depth (depth)}<option value={depth}>{DEPTH_NAMES[depth]}</option>{/each}
    </select></label
  >
  <label class="block"
    >Language
    <select class="select select-sm mt-1 w-full" bind:value={lesson.language}>
      {#each LANGUAGE_NAMES as [value, name] (value)}<option {value}>{name}</option>{/each}
    </select></label
  >
  <label class="block"
    >Notes are called
    <select class="select select-sm mt-1 w-full" bind:value={lesson.noteNames}>
      {#each NOTE_NAMES as [value, name] (value)}<option {value}>{name}</option>{/each}
    </select></label
  >
  <fieldset class="space-y-2">
    <legend class="sr-only">Also on the sheet</legend>
    <label class="flex items-center gap-2"
      ><input type="checkbox" class="checkbox checkbox-sm" bind:checked={lesson.cards} /> Shape cards</label
    >
    <label class="flex items-center gap-2"
      ><input type="checkbox" class="checkbox checkbox-sm" bind:checked={lesson.tablature} /> Strings and frets
      under the notes</label
    >
    <label class="flex items-center gap-2"
      ><input type="checkbox" class="checkbox checkbox-sm" bind:checked={lesson.hardSpots} /> Hard bars framed</label
    >
    <label class="flex items-center gap-2"
      ><input type="checkbox" class="checkbox checkbox-sm" bind:checked={lesson.large} /> Large print</label
    >
  </fieldset>
  <label class="block"
    >Paper
    <select class="select select-sm mt-1 w-full" bind:value={lesson.paper}>
      {#each Object.keys(PAPERS) as Paper[] as paper (paper)}<option value={paper}
          >{PAPERS[paper].name}</option
        >{/each}
    </select></label
  >
  <label class="block"
    >Remarks
    <textarea
      class="textarea mt-1 w-full"
      rows="4"
      maxlength={LONGEST_REMARKS}
      bind:value={remarks}
      placeholder="What you want to say to the student"></textarea></label
  >
</form>
