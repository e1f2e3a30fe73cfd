<script lang="ts">
  import AppPage from '$lib/shell/AppPage.svelte';
  import Field from '$lib/shell/Field.svelte';

  const { data, form } = $props();
  const here = $derived(data.students.filter(({ archivedAt }) => archivedAt === null));
  const before = $derived(data.students.filter(({ archivedAt }) => archivedAt !== null));
  const problems = $derived((form?.problems ?? {}) as Readonly<Record<string, string>>);
</script>

{#snippet list(students: typeof data.students)}
  <ul class="mt-3 divide-y divide-base-300">
    {#each students as student (student.id)}
      <li class="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-2">
        <a class="link-hover font-serif text-base" href="/students/{student.id}">{student.name}</a>
        <span class="grow text-sm opacity-80">{student.level}</span>
        <span class="text-xs opacity-70"
          >{student.versions === 1 ? '1 version' : `${student.versions} versions`}</span
        >
      </li>
    {/each}
  </ul>
{/snippet}

<AppPage title="Students" {data}>
  <main class="mt-8">
    <h1 class="text-xl">Students</h1>
    {#if data.students.length === 0}
      <p class="mt-4 rounded-box bg-base-200 p-6 text-sm">
        Nobody yet. A student has a hand, an instrument and a language; versions of a piece can be made for
        them.
      </p>
    {:else}
      {@render list(here)}
    {/if}
    <form method="POST" action="?/add" class="mt-6 flex max-w-md items-end gap-3">
      <div class="grow">
        <Field
          label="New student: name or initials"
          name="name"
          required
          maxlength={100}
          autocomplete="off"
          value={form?.name ?? ''}
          problem={problems.name}
        />
      </div>
      <button class="btn">Add</button>
    </form>
    {#if before.length > 0}
      <details class="mt-8">
        <summary class="cursor-pointer text-sm">Students of before ({before.length})</summary>
        {@render list(before)}
      </details>
    {/if}
  </main>
</AppPage>
