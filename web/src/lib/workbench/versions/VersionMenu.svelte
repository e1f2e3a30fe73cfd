<script lang="ts">
  import { ChevronDown } from '@lucide/svelte';
  import type { NamedVersion } from './against.svelte.ts';

  interface Props {
    /** Where the versions of the piece lie. */
    piecePath: string;
    /** The other versions of the piece, the last touched first. */
    others: readonly NamedVersion[];
    oncompare: (version: NamedVersion) => void;
  }
  /** The other versions of the piece: to go to, or to lay beside this one. */
  const { piecePath, others, oncompare }: Props = $props();

  let isOpen = $state(false);
  let place = $state<HTMLElement>();
  const onpointerdown = (event: PointerEvent) => {
    if (isOpen && !place?.contains(event.target as Node)) isOpen = false;
  };
  const onkeydown = (event: KeyboardEvent) => {
    if (event.key === 'Escape') isOpen = false;
  };
</script>

<svelte:window {onpointerdown} {onkeydown} />

<span class="relative" bind:this={place}>
  <button
    class="btn btn-ghost btn-xs btn-square"
    aria-label="Other versions"
    aria-expanded={isOpen}
    onclick={() => (isOpen = !isOpen)}><ChevronDown class="size-4" /></button
  >
  {#if isOpen}
    <div
      class="absolute left-0 z-30 mt-1 w-80 rounded-box border border-base-300 bg-base-100 p-2 text-sm shadow"
    >
      {#if others.length === 0}
        <p class="p-1 opacity-80">This is the only version of the piece.</p>
      {/if}
      <ul aria-label="Other versions">
        {#each others as version (version.id)}
          <li class="flex items-center gap-2 p-1">
            <a class="link-hover grow truncate font-serif" href="{piecePath}/{version.id}">{version.name}</a>
            <button
              class="btn btn-xs"
              aria-label="Compare with {version.name}"
              onclick={() => {
                isOpen = false;
                oncompare(version);
              }}>Compare</button
            >
          </li>
        {/each}
      </ul>
      <a class="link mt-1 block p-1" href="{piecePath}/versions">New, rename, delete …</a>
    </div>
  {/if}
</span>
