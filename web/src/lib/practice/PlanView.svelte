<script lang="ts">
  import { enhance } from '$app/forms';
  import { page } from '$app/state';
  import {
    dayByClock,
    dayName,
    dayText,
    daysAhead,
    GOAL_STATES,
    goalStateName,
    later,
    LOG_BOUNDS,
    mondayOf,
    wordingIn,
    type PlannedMeeting,
  } from '@oculon/core';
  import { ChevronLeft, ChevronRight, Printer } from '@lucide/svelte';
  import Field from '../shell/Field.svelte';
  import SelectField from '../shell/SelectField.svelte';
  import { wording } from '../words.ts';
  import { courseFrom, namedGoals } from './course-of.ts';
  import CourseLink from './CourseLink.svelte';
  import GoalCard from './GoalCard.svelte';
  import PracticeTimes from './PracticeTimes.svelte';
  import SpotWishForm from './SpotWishForm.svelte';
  import WeekSheet from './WeekSheet.svelte';
  import type { ActionData, PageData } from '../../routes/(app)/students/[student]/plan/$types';

  const { data, form }: { data: PageData; form: ActionData } = $props();

  /** So far ahead is planned, and so many weeks a new piece is given at first. */
  const DAYS_AHEAD = 90;
  const USUAL_WEEKS = 6;
  const DAYS_PER_WEEK = 7;
  const today = dayByClock(new Date());

  const course = $derived(data.course);
  const named = $derived(namedGoals(course));
  const progress = $derived({ standings: data.standings, rests: data.rests });
  const calendar = $derived(daysAhead(courseFrom(course), progress, today, DAYS_AHEAD));
  let monday = $state(mondayOf(today));
  const lastMonday = mondayOf(later(today, DAYS_AHEAD - 1));
  const problems = $derived(
    (form && 'problems' in form ? form.problems : {}) as Readonly<Record<string, string>>,
  );
  let isAdding = $state(false);
  /** A piece that somebody comes with from elsewhere: a drill, as a rule, to warm up with. */
  const brought = $derived(data.pieces.find(({ id }) => id === page.url.searchParams.get('piece'))?.id);
  const theirs = $derived(wordingIn(course.language, course.noteNames));
  const hasDays = $derived(
    calendar.days.some(({ day }) => day >= monday && day < later(monday, DAYS_PER_WEEK)),
  );
</script>

{#snippet tools({ piece, spot }: PlannedMeeting)}
  <details class="text-xs">
    <summary class="cursor-pointer opacity-75">change</summary>
    <SpotWishForm goal={piece} {spot} wish={course.goals.find(({ id }) => id === piece)?.wishes[spot]} />
  </details>
{/snippet}

{#if form && 'done' in form && form.done}<p role="status" class="mt-3 text-sm print:hidden">
    {form.done}
    {#if 'removed' in form && form.removed}
      <button class="link" form="back">Put it back</button>
    {/if}
  </p>{/if}
{#if form && 'removed' in form && form.removed}
  <form id="back" method="POST" action="?/remove" use:enhance>
    <input type="hidden" name="goal" value={form.removed} />
    <input type="hidden" name="back" value="yes" />
  </form>
{/if}
{#each Object.entries(problems) as [name, problem] (name)}<p role="alert" class="mt-3 text-sm text-error">
    {problem}
  </p>{/each}

<div class="mt-4 grid gap-8 lg:grid-cols-[22rem_1fr] print:hidden">
  <div class="min-w-0 space-y-6">
    <section aria-labelledby="pieces-heading" class="space-y-3">
      <h2 id="pieces-heading" class="text-lg">Pieces</h2>
      {#each course.goals as goal (goal.id)}
        {@const basis = data.bases.find(({ id }) => id === goal.id)}
        {#if basis}<GoalCard
            {goal}
            {basis}
            {progress}
            forecast={calendar.goals.find(({ piece }) => piece === goal.id)}
          />{/if}
      {:else}
        <p class="text-sm opacity-80">
          Nothing yet. Take a piece in; a drill kept in the library is one too.
        </p>
      {/each}
      {#if data.pieces.length > 0}
        <details open={course.goals.length === 0 || brought !== undefined}>
          <summary class="cursor-pointer text-sm font-medium">Take a piece in</summary>
          <form
            method="POST"
            action="?/add"
            class="mt-2 space-y-3"
            use:enhance={() => {
              isAdding = true;
              return async ({ update }) => {
                await update();
                isAdding = false;
              };
            }}
          >
            <SelectField
              label="Piece"
              name="piece"
              value={brought ?? data.pieces[0]!.id}
              options={data.pieces.map(({ id, title }) => [id, title] as const)}
              problem={problems.piece}
            />
            <div class="grid grid-cols-2 gap-3">
              <SelectField
                label="Use"
                name="state"
                value={brought === undefined ? 'learning' : 'warm-up'}
                options={GOAL_STATES.map((state) => [state, goalStateName(wording, state)] as const)}
              />
              <Field
                label="To be ready on"
                name="until"
                type="date"
                required
                value={dayText(later(today, USUAL_WEEKS * DAYS_PER_WEEK))}
                problem={problems.until}
              />
            </div>
            <Field
              label="Tempo, ♩ a minute"
              name="tempo"
              type="number"
              min={LOG_BOUNDS.slowest}
              max={LOG_BOUNDS.fastest}
              step="any"
              hint="Empty: as in the version."
              problem={problems.tempo}
            />
            <button class="btn btn-primary" disabled={isAdding}
              >{isAdding ? 'Planning and cutting …' : 'Take in'}</button
            >
          </form>
        </details>
      {/if}
    </section>
    <PracticeTimes minutes={course.minutes} weekdays={course.weekdays} {problems} />
    <CourseLink
      givenAt={data.linkGivenAt}
      seenAt={data.seenAt}
      made={form && 'link' in form ? form.link : undefined}
    />
  </div>

  <section class="min-w-0" aria-labelledby="week-heading">
    <div class="flex flex-wrap items-center gap-2">
      <h2 id="week-heading" class="grow text-lg">Week of {dayName(wording, monday, 'short')}</h2>
      <button
        class="btn btn-sm btn-square"
        aria-label="The week before"
        disabled={monday <= mondayOf(today)}
        onclick={() => (monday = later(monday, -DAYS_PER_WEEK))}><ChevronLeft class="size-4" /></button
      >
      <button
        class="btn btn-sm btn-square"
        aria-label="The week after"
        disabled={monday >= lastMonday}
        onclick={() => (monday = later(monday, DAYS_PER_WEEK))}><ChevronRight class="size-4" /></button
      >
      <button class="btn btn-sm btn-primary" disabled={!hasDays} onclick={() => window.print()}
        ><Printer class="size-4" aria-hidden="true" /> Print the week</button
      >
    </div>
    <p class="mt-1 mb-3 text-sm opacity-80">
      As the log has it today, if all goes well; every entry plans the days ahead anew.
    </p>
    {#if course.goals.length === 0}
      <p class="text-sm">Take a piece in, and the days fill.</p>
    {:else if !hasDays}
      <p class="text-sm">No day of practice is left in this week.</p>
    {:else}
      <WeekSheet {wording} {named} {monday} days={calendar.days} {tools} />
    {/if}
  </section>
</div>

<!-- What is printed is for the student, in their language. -->
<div class="hidden print:block" lang={course.language}>
  <h1 class="font-serif text-xl font-semibold">{course.student}</h1>
  <p class="mb-3 text-sm">
    {dayName(theirs, monday, 'short')} – {dayName(theirs, later(monday, DAYS_PER_WEEK - 1), 'short')}
  </p>
  <WeekSheet wording={theirs} {named} {monday} days={calendar.days} />
  <p class="mt-4 text-xs">{theirs.say('drill.care.repetition')}</p>
</div>
