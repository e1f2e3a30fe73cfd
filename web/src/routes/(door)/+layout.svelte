<script lang="ts">
  import type { Snippet } from 'svelte';
  import ThemeToggle from '$lib/ThemeToggle.svelte';

  const { children }: { children: Snippet } = $props();
</script>

<div class="mx-auto max-w-md px-5 py-10">
  <header class="flex items-center gap-3">
    <img src="/favicon.svg" alt="" class="size-9" />
    <div class="grow">
      <p class="font-serif text-2xl font-semibold">Oculon</p>
      <p class="text-sm opacity-70">What both hands do, note by note</p>
    </div>
    <ThemeToggle />
  </header>
  <main class="mt-8">{@render children()}</main>
</div>
