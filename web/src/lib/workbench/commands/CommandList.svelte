<script lang="ts">
  import { Command, Dialog } from 'bits-ui';
  import type { PageDeed } from './page-deed.ts';
  import type { Workbench } from '../workbench.svelte.ts';
  import { KEY_BINDINGS, KEY_GROUPS } from './key-table.ts';

  interface Props {
    workbench: Workbench;
    pageDeeds: readonly PageDeed[];
    open: boolean;
    /** Where the keys shall go again. */
    ondone: () => void;
  }
  let { workbench, pageDeeds, open = $bindable(), ondone }: Props = $props();

  const run = (deed: () => void): void => {
    open = false;
    ondone();
    deed();
  };
</script>

<Dialog.Root bind:open onOpenChange={(isOpen) => !isOpen && ondone()}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-black/30 print:hidden" />
    <Dialog.Content
      class="fixed top-[12vh] left-1/2 z-50 w-[min(34rem,92vw)] -translate-x-1/2 rounded-box border border-base-300 bg-base-100 shadow-xl print:hidden"
    >
      <Dialog.Title class="sr-only">Do anything</Dialog.Title>
      <Dialog.Description class="sr-only">Type what you want to do, and choose it.</Dialog.Description>
      <Command.Root class="flex flex-col" label="Do anything">
        <Command.Input
          class="input w-full rounded-b-none border-0 border-b border-base-300 text-base focus:outline-none"
          placeholder="What do you want to do?"
          aria-label="What do you want to do?"
        />
        <Command.List class="max-h-[55vh] overflow-y-auto p-1 text-sm">
          <Command.Viewport>
            <Command.Empty class="p-3 opacity-80">Nothing here is called so.</Command.Empty>
            {#each KEY_GROUPS as group (group)}
              <Command.Group value={group}>
                <Command.GroupHeading class="px-2 pt-2 pb-1 text-xs font-semibold opacity-75"
                  >{group}</Command.GroupHeading
                >
                <Command.GroupItems>
                  {#each KEY_BINDINGS.filter((each) => each.group === group) as binding (binding.keys + binding.does)}
                    <Command.Item
                      class="deed"
                      value="{binding.does} {binding.keys}"
                      disabled={!binding.command(workbench, true)}
                      onSelect={() => run(() => binding.command(workbench))}
                      ><span>{binding.does}</span>{#if binding.keys}<kbd class="kbd kbd-xs"
                          >{binding.keys}</kbd
                        >{/if}</Command.Item
                    >
                  {/each}
                </Command.GroupItems>
              </Command.Group>
            {/each}
            <Command.Group value="Piece">
              <Command.GroupHeading class="px-2 pt-2 pb-1 text-xs font-semibold opacity-75"
                >Piece</Command.GroupHeading
              >
              <Command.GroupItems>
                {#each pageDeeds as deed (deed.does)}
                  <Command.Item class="deed" value={deed.does} onSelect={() => run(deed.run)}
                    ><span>{deed.does}</span></Command.Item
                  >
                {/each}
              </Command.GroupItems>
            </Command.Group>
          </Command.Viewport>
        </Command.List>
      </Command.Root>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>

<style>
  :global(.deed) {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 1rem;
    padding: 0.3rem 0.5rem;
    border-radius: var(--radius-field);
    cursor: pointer;
  }
  :global(.deed[data-selected]) {
    background: var(--color-base-200);
  }
  :global(.deed[data-disabled]) {
    opacity: 0.5;
    cursor: default;
  }
</style>
