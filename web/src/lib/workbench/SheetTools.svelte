<script lang="ts">
  import { Eye, GalleryHorizontal, Rows3, ZoomIn, ZoomOut } from '@lucide/svelte';
  import DisplayPanel from '../sheet/DisplayPanel.svelte';
  import DropDown from '../shell/DropDown.svelte';
  import type { DeskView } from './desk-view.svelte.ts';
  import { LANE_NAMES, LANES } from './lanes/lane.ts';

  /** How the music is looked at: size, pages or one line, lanes, and what stands on the sheet. */
  const { view }: { view: DeskView } = $props();
</script>

<div class="tools" role="group" aria-label="How the music is shown">
  <button
    class="btn btn-ghost btn-xs btn-square"
    aria-label="Smaller"
    title="Smaller (−)"
    disabled={!view.zoomBy(-1, true)}
    onclick={() => view.zoomBy(-1)}><ZoomOut class="size-4" /></button
  >
  <span class="w-10 text-center text-xs tabular-nums" data-testid="zoom"
    >{Math.round(view.shownZoom * 100)} %</span
  >
  <button
    class="btn btn-ghost btn-xs btn-square"
    aria-label="Larger"
    title="Larger (+)"
    disabled={!view.zoomBy(1, true)}
    onclick={() => view.zoomBy(1)}><ZoomIn class="size-4" /></button
  >
  {#if view.isAtWidest}
    <button
      class="btn btn-ghost btn-xs"
      title="On a page its widest bar would not fit any larger"
      onclick={() => (view.layout = 'line')}>Bigger in one line</button
    >
  {/if}
  <button
    class="btn btn-ghost btn-xs btn-square"
    aria-label={view.layout === 'page' ? 'One line without end' : 'Pages'}
    title={view.layout === 'page' ? 'One line without end (6)' : 'Pages (6)'}
    onclick={() => (view.layout = view.layout === 'page' ? 'line' : 'page')}
    >{#if view.layout === 'page'}<GalleryHorizontal class="size-4" />{:else}<Rows3
        class="size-4"
      />{/if}</button
  >
  <DropDown
    buttonClass="btn btn-ghost btn-xs"
    panelLabel="What is shown"
    panelClass="right-0 max-h-[75vh] w-72 space-y-3 overflow-y-auto p-3"
  >
    {#snippet button()}<Eye class="size-4" aria-hidden="true" /> Shown{/snippet}
    <fieldset class="text-sm">
      <legend class="font-serif text-base">Under the music, in this step</legend>
      <div class="flex gap-3">
        {#each LANES as lane (lane)}
          <label class="flex items-center gap-1.5"
            ><input
              type="checkbox"
              class="checkbox checkbox-sm"
              checked={view.lanes.includes(lane)}
              onchange={() => view.toggleLane(lane)}
            />
            {LANE_NAMES[lane]}</label
          >
        {/each}
      </div>
    </fieldset>
    <DisplayPanel display={view.display} />
    <label class="flex items-center gap-2 text-sm"
      ><input type="checkbox" class="checkbox checkbox-sm" bind:checked={view.leftHanded} /> The neck for a left-handed
      player</label
    >
    <p class="text-xs leading-relaxed opacity-80">
      <span class="font-semibold text-secondary">Plain</span>: proposed by Oculon.
      <span class="font-extrabold text-primary underline">Underlined</span>: decided by you.
      <span class="font-extrabold">Heavy</span>: written in the file.
      <span class="underline decoration-dotted">Dotted</span>: another way would do as well. Right-hand
      letters are
      <i class="font-serif">p i m a</i>; digits are always the left hand.
    </p>
  </DropDown>
</div>

<style>
  .tools {
    display: flex;
    align-items: center;
    flex: none;
  }
  @media (pointer: coarse) {
    .tools :global(.btn) {
      min-width: 44px;
      min-height: 44px;
    }
  }
</style>
