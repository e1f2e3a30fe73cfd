<script lang="ts">
  import { ChevronDown } from '@lucide/svelte';
  import DropDown from '../../shell/DropDown.svelte';
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
</script>

<DropDown
  label="Other versions"
  buttonClass="btn btn-ghost btn-xs btn-square"
  panelLabel="Other versions of the piece"
  panelClass="left-0 w-80 max-w-[90vw] p-2 text-sm"
>
  {#snippet button()}<ChevronDown class="size-4" />{/snippet}
  {#snippet children(close)}
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
              close();
              oncompare(version);
            }}>Compare</button
          >
        </li>
      {/each}
    </ul>
    <a class="link mt-1 block p-1" href="{piecePath}/versions">New, rename, delete …</a>
  {/snippet}
</DropDown>
