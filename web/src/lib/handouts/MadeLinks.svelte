<script lang="ts">
  import type { MadeLink } from './giving.ts';

  interface Props {
    made: readonly MadeLink[];
    /** The link that stands on the printed sheet. */
    printed: string;
  }
  const { made, printed }: Props = $props();

  let copied = $state('');
  const copy = async (text: string): Promise<void> => {
    await navigator.clipboard.writeText(text).then(
      () => (copied = text),
      () => (copied = ''),
    );
  };
  const all = $derived(made.map(({ recipient, link }) => `${recipient}: ${link}`).join('\n'));
</script>

<div class="space-y-2 rounded-box border border-base-300 p-2">
  {#each made as { recipient, link } (link)}
    <div>
      {#if recipient}<b>{recipient}</b>{/if}
      <p class="break-all"><a class="link" href={link} data-testid="link">{link}</a></p>
      <button class="btn btn-xs" onclick={() => copy(link)}>{copied === link ? 'Copied' : 'Copy'}</button>
    </div>
  {/each}
  {#if made.length > 1}
    <button class="btn btn-xs" onclick={() => copy(all)}>{copied === all ? 'Copied' : 'Copy all'}</button>
  {/if}
  <p class="text-xs opacity-70">
    Shown this once: only its hash is kept.{made[0]?.link === printed
      ? ' It is also the code on the printed sheet.'
      : ''}
  </p>
</div>
