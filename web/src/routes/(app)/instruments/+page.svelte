<script lang="ts">
  import AppPage from '$lib/shell/AppPage.svelte';
  import Field from '$lib/shell/Field.svelte';

  const { data, form } = $props();

  const NEW = {
    id: '',
    name: '',
    scaleLength: 650,
    tuning: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'],
    frets: 19,
    capo: 0,
    leftHanded: false,
  };
  let edited = $state<string>();
  const shown = $derived(edited ?? (form && 'problems' in form ? form.id : undefined));
  const problems = $derived(
    (form && 'problems' in form && form.id === shown ? form.problems : {}) as Readonly<
      Record<string, string>
    >,
  );
  const sent = $derived(form && 'values' in form && form.id === shown ? form.values : undefined);
  const all = $derived([...data.instruments, NEW]);
</script>

<AppPage title="Instruments" {data}>
  <main class="mt-8">
    <h1 class="text-xl">Instruments</h1>
    <p class="mt-1 text-sm opacity-80">
      Your guitars and your students’: a version made for a student is planned for theirs.
    </p>
    {#if form && 'done' in form && form.done}<p role="status" class="mt-2 text-sm">{form.done}</p>{/if}
    <ul class="mt-4 divide-y divide-base-300">
      {#each all as each (each.id)}
        <li class="py-3">
          {#if shown === each.id}
            <form method="POST" action="?/save" class="grid gap-3 sm:grid-cols-3">
              <input type="hidden" name="id" value={each.id} />
              <div class="sm:col-span-3">
                <Field
                  label="Name"
                  name="name"
                  required
                  maxlength={100}
                  value={sent?.name ?? each.name}
                  problem={problems.name}
                />
              </div>
              <Field
                label="Scale length in mm"
                name="scaleLength"
                type="number"
                min={400}
                max={700}
                step="any"
                value={sent?.scaleLength ?? each.scaleLength}
                problem={problems.scaleLength}
              />
              <Field
                label="Frets"
                name="frets"
                type="number"
                min={12}
                max={24}
                value={sent?.frets ?? each.frets}
                problem={problems.frets}
              />
              <Field
                label="Capo at fret"
                name="capo"
                type="number"
                min={0}
                max={12}
                value={sent?.capo ?? each.capo}
                problem={problems.capo}
              />
              <div class="sm:col-span-2">
                <Field
                  label="Open strings, ① to ⑥"
                  name="tuning"
                  value={sent?.tuning ?? each.tuning.join(' ')}
                  problem={problems.tuning}
                />
              </div>
              <label class="flex items-center gap-2 self-center text-sm">
                <input
                  type="checkbox"
                  class="checkbox checkbox-sm"
                  name="leftHanded"
                  defaultChecked={sent ? 'leftHanded' in sent : each.leftHanded}
                /> left-handed
              </label>
              <div class="flex gap-2 sm:col-span-3">
                <button class="btn btn-primary btn-sm">Keep</button>
                <button type="button" class="btn btn-ghost btn-sm" onclick={() => (edited = 'none')}
                  >Never mind</button
                >
              </div>
            </form>
          {:else if each.id === ''}
            <button class="btn btn-sm" onclick={() => (edited = '')}>New instrument</button>
          {:else}
            <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
              <span class="font-serif text-base">{each.name}</span>
              <span class="grow text-sm opacity-80"
                >{each.scaleLength} mm, {each.frets} frets, {each.tuning.join(' ')}{each.capo > 0
                  ? `, capo ${each.capo}`
                  : ''}{each.leftHanded ? ', left-handed' : ''}</span
              >
              <button class="btn btn-ghost btn-sm" onclick={() => (edited = each.id)}
                >Change<span class="sr-only"> {each.name}</span></button
              >
              <form
                method="POST"
                action="?/delete"
                onsubmit={(event) => {
                  if (!confirm(`Delete “${each.name}”? Students who play it have none of their own then.`))
                    event.preventDefault();
                }}
              >
                <input type="hidden" name="id" value={each.id} />
                <button class="btn btn-ghost btn-sm">Delete<span class="sr-only"> {each.name}</span></button>
              </form>
            </div>
          {/if}
        </li>
      {/each}
    </ul>
  </main>
</AppPage>
