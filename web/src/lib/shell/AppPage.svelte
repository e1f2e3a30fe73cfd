<script lang="ts">
  import type { Snippet } from 'svelte';
  import AppHeader from './AppHeader.svelte';

  interface Props {
    readonly title: string;
    readonly data: {
      readonly teacher: { readonly name: string; readonly deletionDueAt: Date | null };
      readonly showsOutbox: boolean;
    };
    readonly children: Snippet;
  }
  const { title, data, children }: Props = $props();
  const day = new Intl.DateTimeFormat('en', { dateStyle: 'long' });
</script>

<svelte:head><title>{title} · Oculon</title></svelte:head>

<div class="mx-auto max-w-4xl px-5 py-6">
  <AppHeader teacher={data.teacher} showsOutbox={data.showsOutbox} />
  {#if data.teacher.deletionDueAt}
    <p role="status" class="mt-4 alert alert-warning text-sm">
      This account and everything in it goes on {day.format(data.teacher.deletionDueAt)}.
      <a class="link" href="/account">Keep it after all</a>
    </p>
  {/if}
  {@render children()}
</div>
