<script lang="ts">
  import { page } from '$app/state';
  import ThemeToggle from '../ThemeToggle.svelte';

  const { teacher, showsOutbox }: { teacher: { readonly name: string }; showsOutbox: boolean } = $props();

  const PLACES = [
    ['/', 'Library'],
    ['/drills', 'Drills'],
    ['/students', 'Students'],
    ['/instruments', 'Instruments'],
    ['/reference', 'Reference'],
    ['/account', 'Account'],
  ] as const;
  const places = $derived(showsOutbox ? [...PLACES, ['/outbox', 'Outbox'] as const] : PLACES);
  const isHere = (path: string) =>
    path === '/'
      ? page.url.pathname === '/' || page.url.pathname.startsWith('/pieces/')
      : page.url.pathname.startsWith(path);
</script>

<header class="flex flex-wrap items-center gap-x-4 gap-y-2">
  <a href="/" class="flex items-center gap-3">
    <img src="/favicon.svg" alt="" class="size-9" />
    <span class="font-serif text-2xl font-semibold">Oculon</span>
  </a>
  <nav class="order-last flex w-full flex-wrap gap-1 sm:order-none sm:w-auto sm:grow" aria-label="Places">
    {#each places as [path, name] (path)}
      <a
        href={path}
        class={['btn btn-ghost btn-sm px-2 sm:px-3', isHere(path) && 'bg-base-200']}
        aria-current={isHere(path) ? 'page' : undefined}>{name}</a
      >
    {/each}
  </nav>
  <span class="ml-auto flex items-center gap-2 text-sm sm:ml-0">
    <span class="opacity-80">{teacher.name}</span>
    <form method="POST" action="/sign-in?/out">
      <button class="btn btn-ghost btn-sm">Sign out</button>
    </form>
    <ThemeToggle />
  </span>
</header>
