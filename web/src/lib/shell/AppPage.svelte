<script lang="ts">
  import type { Snippet } from 'svelte';
  import AppHeader from './AppHeader.svelte';

  interface Props {
    readonly title: string;
    readonly data: {
      readonly teacher: { readonly name: string; readonly deletionDueAt: Date | null };
      readonly showsOutbox: boolean;
    };
    /** More room than for lists and forms. */
    readonly wide?: boolean;
    readonly children: Snippet;
  }
  const { title, data, wide = false, children }: Props = $props();
  const day = new Intl.DateTimeFormat('en', { dateStyle: 'long' });
</script>

<svelte:head><title>{title} · Oculon</title></svelte:head>

<div class={['mx-auto px-5 py-6 print:p-0', wide ? 'max-w-6xl' : 'max-w-4xl']}>
  <div class="print:hidden"><AppHeader teacher={data.teacher} showsOutbox={data.showsOutbox} /></div>
  {#if data.teacher.deletionDueAt}
    <p role="status" class="mt-4 alert alert-warning text-sm">
      This account and everything in it goes on {day.format(data.teacher.deletionDueAt)}.
      <a class="link" href="/account">Keep it after all</a>
    </p>
  {/if}
  {@render children()}
</div>
