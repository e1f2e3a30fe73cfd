<script lang="ts">
  import Field from '$lib/shell/Field.svelte';
  import SelectField from '$lib/shell/SelectField.svelte';
  import StudentForm from '$lib/students/StudentForm.svelte';
  import StudentPage from '$lib/students/StudentPage.svelte';

  const { data, form } = $props();
  const problems = $derived((form?.problems ?? {}) as Readonly<Record<string, string>>);
</script>

<StudentPage {data} id={data.student.id} name={data.student.name}>
  <main class="mt-6 max-w-4xl space-y-10">
    <section>
      {#if data.student.archivedAt}<p><span class="badge badge-sm">archived</span></p>{/if}
      {#if form && 'done' in form && form.done}<p role="status" class="mt-2 text-sm">{form.done}</p>{/if}
      {#if Object.keys(problems).length > 0}
        <p role="alert" class="mt-2 text-sm text-error">Not kept: see below what is missing.</p>
      {/if}
      <div class="mt-4">
        {#key data.student}
          <StudentForm
            values={data.student}
            instruments={data.instruments}
            {problems}
            action="?/save"
            button="Keep"
          />
        {/key}
      </div>
    </section>

    <section>
      <h2 class="text-lg">Versions</h2>
      <ul class="mt-2 divide-y divide-base-300">
        {#each data.versions as version (version.id)}
          <li class="py-2 text-sm">
            <a class="link-hover font-serif text-base" href="/pieces/{version.pieceId}/{version.id}"
              >{version.title}</a
            > <span class="opacity-80">{version.name}</span>
          </li>
        {:else}
          <li class="py-2 text-sm opacity-80">None yet.</li>
        {/each}
      </ul>
      {#if data.pieces.length > 0}
        <form method="POST" action="?/version" class="mt-4 flex flex-wrap items-end gap-3">
          <SelectField
            label="Make a version of"
            name="piece"
            value={data.pieces[0]!.id}
            options={data.pieces.map(({ id, title }) => [id, title] as const)}
            problem={problems.piece}
          />
          <button class="btn">Make it</button>
        </form>
        <p class="mt-2 text-xs opacity-70">
          What you decided stays where this hand can do it; the rest is planned anew, and you are shown what
          differs and why.
        </p>
      {/if}
    </section>

    <section class="max-w-md space-y-4">
      <h2 class="text-lg">Away</h2>
      <form method="POST" action="?/archive">
        <input type="hidden" name="archived" value={data.student.archivedAt ? 'no' : 'yes'} />
        <button class="btn btn-sm">{data.student.archivedAt ? 'Take back' : 'Archive'}</button>
        <span class="ml-2 text-sm opacity-80">Archived, everything stays as it is.</span>
      </form>
      <details>
        <summary class="cursor-pointer text-sm">Delete for good</summary>
        <form method="POST" action="?/delete" class="mt-3 space-y-3">
          <p class="text-sm">
            The student, every version made for them, their plan and their log go, and cannot be taken back. A
            version that is the only one of its piece stays, without the student.
          </p>
          <Field
            label="The student’s name, to be sure"
            name="name"
            autocomplete="off"
            required
            problem={problems.confirm}
          />
          <button class="btn btn-error btn-sm">Delete</button>
        </form>
      </details>
    </section>
  </main>
</StudentPage>
