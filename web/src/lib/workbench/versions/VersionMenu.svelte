<script lang="ts">
  import { ChevronDown } from '@lucide/svelte';
  import DropDown from '../../shell/DropDown.svelte';
  import type { ComponentProps } from 'svelte';
  import type { NamedVersion } from './against.svelte.ts';
  import VersionDeeds from './VersionDeeds.svelte';

  interface Props {
    /** Where the versions of the piece lie. */
    piecePath: string;
    /** The other versions of the piece, the last touched first. */
    others: readonly NamedVersion[];
    oncompare: (version: NamedVersion) => void;
    version: ComponentProps<typeof VersionDeeds>['version'];
    settle: () => Promise<boolean>;
  }
  /** The versions of the piece: others to go to or to lay beside this one, and what can be done with this one. */
  const { piecePath, others, oncompare, version, settle }: Props = $props();
</script>

<DropDown
  label="Versions"
  buttonClass="btn btn-ghost btn-xs btn-square"
  panelLabel="Versions of the piece"
  panelClass="left-0 w-80 max-w-[90vw] p-2 text-sm"
>
  {#snippet button()}<ChevronDown class="size-4" />{/snippet}
  {#snippet children(close)}
    {#if others.length === 0}
      <p class="p-1 opacity-80">This is the only version of the piece.</p>
    {/if}
    <ul aria-label="Other versions">
      {#each others as other (other.id)}
        <li class="flex items-center gap-2 p-1">
          <a class="link-hover grow truncate font-serif" href="{piecePath}/{other.id}">{other.name}</a>
          <button
            class="btn btn-xs"
            aria-label="Compare with {other.name}"
            onclick={() => {
              close();
              oncompare(other);
            }}>Compare</button
          >
        </li>
      {/each}
    </ul>
    <VersionDeeds {piecePath} {version} {settle} onclose={close} />
  {/snippet}
</DropDown>
