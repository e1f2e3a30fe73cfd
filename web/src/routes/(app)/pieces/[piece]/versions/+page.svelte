<script lang="ts">
  import Field from '$lib/shell/Field.svelte';
  import SelectField from '$lib/shell/SelectField.svelte';
  import AppPage from '$lib/shell/AppPage.svelte';
  import { touchedLabel } from '$lib/library/names.ts';

  const { data, form } = $props();
  const now = new Date();
  const here = $derived(data.versions.filter(({ deletedAt }) => deletedAt === null));
  const away = $derived(data.versions.filter(({ deletedAt }) => deletedAt !== null));
  const labelsOf = $derived(new Map(data.labels));
  const path = $derived(`/pieces/${data.piece.id}`);
  /** A new version is made from the teacher's own unless another is chosen. */
  const own = $derived(here.find(({ studentId }) => studentId === null) ?? here[0]);
  const named = $derived(here.map(({ id, name }) => [id, name] as const));
</script>

<AppPage title="Versions of {data.piece.title}" {data}>
  <main class="mt-8 space-y-8">
    <div>
      <p class="text-sm"><a class="link" href={path}>To the sheet</a></p>
      <h1 class="mt-1 text-xl">Versions of <span class="font-serif">{data.piece.title}</span></h1>
      {#if form && 'problem' in form}<p role="alert" class="mt-2 text-sm text-error">{form.problem}</p>{/if}
      {#if form && 'done' in form}<p role="status" class="mt-2 text-sm">{form.done}</p>{/if}
      {#if form && 'away' in form && form.away}
        <form method="POST" action="?/back" class="mt-2 flex items-center gap-3 text-sm" role="status">
          <input type="hidden" name="version" value={form.away.version} />
          “{form.away.name}” is deleted.
          <button class="btn btn-sm">Undo</button>
        </form>
      {/if}
    </div>

    <ul class="divide-y divide-base-300">
      {#each here as version (version.id)}
        <li class="py-3">
          <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
            <a class="link-hover font-serif text-base" href="{path}/{version.id}">{version.name}</a>
            {#if version.studentName}
              <span class="text-sm"
                >for <a class="link" href="/students/{version.studentId}">{version.studentName}</a></span
              >
            {/if}
            <span class="grow text-xs opacity-70">
              {version.maker ? `by ${version.maker}, ` : ''}{version.originName
                ? `from “${version.originName}”, `
                : ''}{version.revision === 1 ? '1 change' : `${version.revision} changes`},
              {touchedLabel(version.touchedAt, now)}
            </span>
          </div>
          {#each labelsOf.get(version.id) ?? [] as label (label.revision)}
            <form method="POST" action="?/unlabel" class="mt-1 flex items-center gap-2 text-xs">
              <input type="hidden" name="version" value={version.id} />
              <input type="hidden" name="revision" value={label.revision} />
              <span class="badge badge-sm">{label.label}</span> after {label.revision} changes
              <button class="link">Take the label off</button>
            </form>
          {/each}
          <details class="mt-2">
            <summary class="cursor-pointer text-sm">Name, label, delete</summary>
            <div class="mt-2 flex flex-wrap items-end gap-4">
              <form method="POST" action="?/rename" class="flex items-end gap-2">
                <input type="hidden" name="version" value={version.id} />
                <label class="text-xs"
                  >Name<input
                    class="input input-sm mt-1"
                    name="name"
                    required
                    maxlength="100"
                    defaultValue={version.name}
                  /></label
                >
                <button class="btn btn-sm">Rename</button>
              </form>
              <form method="POST" action="?/label" class="flex items-end gap-2">
                <input type="hidden" name="version" value={version.id} />
                <label class="text-xs"
                  >Label as it stands<input
                    class="input input-sm mt-1"
                    name="label"
                    required
                    maxlength="100"
                    placeholder="for the concert"
                  /></label
                >
                <button class="btn btn-sm">Label</button>
              </form>
              <form method="POST" action="?/away">
                <input type="hidden" name="version" value={version.id} />
                <button class="btn btn-ghost btn-sm" disabled={here.length === 1}>Delete</button>
              </form>
            </div>
          </details>
        </li>
      {/each}
    </ul>

    <section>
      <h2 class="text-lg">New version</h2>
      <form method="POST" action="?/create" class="mt-2 grid gap-3 sm:grid-cols-3">
        <SelectField
          label="From"
          name="origin"
          value={own?.id ?? ''}
          options={[...named, ['', 'nothing decided']]}
        />
        <SelectField
          label="For"
          name="student"
          value=""
          options={[
            ['', 'nobody in particular'],
            ...data.students.map(({ id, name }) => [id, name] as const),
          ]}
        />
        <Field label="Name" name="name" maxlength={100} placeholder="For …, when it is left open" />
        <p class="text-xs opacity-70 sm:col-span-2">
          For a student it is planned for their hand and their instrument; what you decided stays.
        </p>
        <div class="sm:text-right"><button class="btn btn-primary">Make it</button></div>
      </form>
    </section>

    {#if here.length > 1}
      <section>
        <h2 class="text-lg">Compare</h2>
        <form method="GET" action="{path}/compare" class="mt-2 flex flex-wrap items-end gap-3">
          <SelectField label="One" name="one" value={here[0]?.id ?? ''} options={named} />
          <SelectField
            label="Other"
            name="other"
            value={here.at(-1)?.id ?? ''}
            options={named.toReversed()}
          />
          <button class="btn">Compare</button>
        </form>
      </section>
    {/if}

    {#if away.length > 0}
      <details>
        <summary class="cursor-pointer text-sm">Deleted ({away.length}); kept for 30 days</summary>
        <ul class="mt-2 space-y-1">
          {#each away as version (version.id)}
            <li>
              <form method="POST" action="?/back" class="flex items-center gap-3 text-sm">
                <input type="hidden" name="version" value={version.id} />
                <span class="font-serif">{version.name}</span>
                <button class="btn btn-ghost btn-sm">Take back</button>
              </form>
            </li>
          {/each}
        </ul>
      </details>
    {/if}
  </main>
</AppPage>
