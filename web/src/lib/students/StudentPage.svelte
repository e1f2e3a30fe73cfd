<script lang="ts">
  import { page } from '$app/state';
  import type { ComponentProps, Snippet } from 'svelte';
  import AppPage from '../shell/AppPage.svelte';

  interface Props {
    readonly data: ComponentProps<typeof AppPage>['data'];
    readonly id: string;
    readonly name: string;
    readonly title?: string;
    readonly children: Snippet;
  }
  const { data, id, name, title, children }: Props = $props();

  const PLACES = [
    ['', 'About'],
    ['/plan', 'Practice plan'],
    ['/log', 'Logbook'],
    ['/lesson', 'Lesson'],
  ] as const;
</script>

<AppPage title={title ? `${name}: ${title}` : name} {data} wide>
  <div class="mt-6 print:hidden">
    <p class="text-sm"><a class="link" href="/students">Students</a></p>
    <h1 class="mt-1 text-xl">{name}</h1>
    <nav class="tabs tabs-border mt-2" aria-label={name}>
      {#each PLACES as [path, text] (path)}
        {@const href = `/students/${id}${path}`}
        <a
          {href}
          class={['tab', page.url.pathname === href && 'tab-active']}
          aria-current={page.url.pathname === href ? 'page' : undefined}>{text}</a
        >
      {/each}
    </nav>
  </div>
  {@render children()}
</AppPage>
