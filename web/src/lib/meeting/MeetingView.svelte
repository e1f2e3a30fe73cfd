<script lang="ts">
  import { enhance } from '$app/forms';
  import {
    dayName,
    daysAhead,
    goalStateName,
    GOAL_STATES,
    NEVER_MET,
    placeOn,
    readDay,
    spotKey,
    spotKindName,
    weekSummaryText,
    workName,
  } from '@oculon/core';
  import { courseFrom, namedGoals } from '../practice/course-of.ts';
  import { wording } from '../words.ts';
  import NoteList from './NoteList.svelte';
  import type { ActionData, PageData } from '../../routes/(app)/students/[student]/lesson/$types';

  const { data, form }: { data: PageData; form: ActionData } = $props();

  const DAYS_AHEAD = 90;
  const course = $derived(data.course);
  const named = $derived(namedGoals(course));
  const progress = $derived({ standings: data.standings, rests: data.rests });
  const forecasts = $derived(daysAhead(courseFrom(course), progress, data.today, DAYS_AHEAD).goals);
  const repertoire = $derived(
    GOAL_STATES.map((state) => ({
      state,
      goals: course.goals.filter((goal) => goal.state === state),
    })).filter(({ goals }) => goals.length > 0),
  );
  const late = $derived(
    forecasts.filter(
      ({ piece, moves }) => moves && course.goals.find(({ id }) => id === piece)?.state === 'learning',
    ),
  );
  const newer = $derived(data.bases.filter((basis) => basis.newer > 0));
  const overdue = $derived(
    course.goals.filter(
      ({ state, until }) => state !== 'resting' && state !== 'warm-up' && readDay(until)! < data.today,
    ),
  );
  const titleOf = (goal: string): string => course.goals.find(({ id }) => id === goal)?.practised.title ?? '';
  const linkOf = (goal: string): string | undefined => {
    const basis = data.bases.find(({ id }) => id === goal);
    return basis?.pieceId ? `/pieces/${basis.pieceId}/${basis.fingeringId}` : undefined;
  };
  const nothingToDecide = $derived(
    data.still.length === 0 && late.length === 0 && newer.length === 0 && overdue.length === 0,
  );
  const standing = ({ id, practised: { spots } }: (typeof course.goals)[number]): string => {
    const reached = spots.filter(
      ({ spot, ladder }) =>
        placeOn(ladder, data.standings.get(spotKey(id, spot.id)) ?? NEVER_MET).passed ===
        ladder.rungs.length - 1,
    ).length;
    return spots.length === 0
      ? ''
      : `${reached} of ${spots.length} ${spots.length === 1 ? 'spot' : 'spots'} at tempo`;
  };
</script>

{#if form && 'done' in form && form.done}<p role="status" class="mt-3 text-sm">{form.done}</p>{/if}

<div class="mt-4 grid gap-8 lg:grid-cols-2">
  <div class="min-w-0 space-y-6">
    <section aria-labelledby="since-heading">
      <h2 id="since-heading" class="text-lg">
        Since {data.hadLesson ? 'the last lesson, ' : ''}{dayName(wording, data.since)}
      </h2>
      <ul class="mt-1 list-disc space-y-1 pl-5 text-sm" data-testid="since">
        {#each weekSummaryText(wording, named, data.summary) as sentence, index (index)}<li>
            {sentence}
          </li>{/each}
      </ul>
      <p class="mt-1 text-sm"><a class="link" href="/students/{data.student}/log">The whole log</a></p>
    </section>

    <section aria-labelledby="decide-heading">
      <h2 id="decide-heading" class="text-lg">To decide</h2>
      {#if nothingToDecide}<p class="mt-1 text-sm opacity-80">Nothing is waiting for a decision.</p>{/if}
      <ul class="mt-1 space-y-2 text-sm">
        {#each data.still as { goal, spot, kind, at } (`${goal} ${spot}`)}
          <li>
            <b>{workName(wording, named, { kind: 'spot', goal, spot, drill: null })}</b> stands still{at ===
            undefined
              ? ' below its first tempo'
              : ` at ♩ = ${Math.round(at)}`} ({spotKindName(wording, kind)}). Another drill, another
            fingering, or a lower tempo?
            {#if linkOf(goal)}<a class="link" href="{linkOf(goal)}/practice">Drills</a> ·
              <a class="link" href={linkOf(goal)}>Fingering</a> ·{/if}
            <a class="link" href="/students/{data.student}/plan">Tempo</a>
          </li>
        {/each}
        {#each late as { piece, until, ready } (piece)}
          <li>
            <b>{titleOf(piece)}</b> will not be ready by {dayName(wording, until, 'short')}{ready ===
            undefined
              ? ''
              : `, but on ${dayName(wording, ready, 'short')}`}.
            <a class="link" href="/students/{data.student}/plan">More time, or another day</a>
          </li>
        {/each}
        {#each overdue as { id, practised, until } (id)}
          <li>
            <b>{practised.title}</b> was due on {dayName(wording, readDay(until)!, 'short')}.
            <a class="link" href="/students/{data.student}/plan"
              >Keep it up, let it rest, or give it another day</a
            >
          </li>
        {/each}
        {#each newer as { id } (id)}
          <li>
            <b>{titleOf(id)}</b>: the version has changed since the student was given it.
            <a class="link" href="/students/{data.student}/plan">Take it into the plan</a>
          </li>
        {/each}
      </ul>
    </section>

    <section aria-labelledby="asked-heading">
      <h2 id="asked-heading" class="text-lg">Asked</h2>
      {#if data.questions.length === 0}<p class="mt-1 text-sm opacity-80">No question is open.</p>{/if}
      <ul class="mt-1 space-y-2 text-sm">
        {#each data.questions as { id, title, label, body, pieceId, fingeringId } (id)}
          <li>
            <a class="link" href="/pieces/{pieceId}/{fingeringId}">{title}, bar {label}</a>: “{body}”
            <form method="POST" action="?/read" use:enhance class="inline">
              <input type="hidden" name="question" value={id} />
              <button class="btn btn-ghost btn-xs">Answered</button>
            </form>
          </li>
        {/each}
      </ul>
    </section>
  </div>

  <div class="min-w-0 space-y-6">
    <NoteList
      notes={data.notes}
      {course}
      problem={form && 'problems' in form ? form.problems?.body : undefined}
    />
    <section aria-labelledby="repertoire-heading">
      <h2 id="repertoire-heading" class="text-lg">Repertoire</h2>
      {#each repertoire as { state, goals } (state)}
        <h3 class="mt-2 text-sm font-medium first-letter:uppercase">{goalStateName(wording, state)}</h3>
        <ul class="text-sm">
          {#each goals as goal (goal.id)}
            <li class="flex flex-wrap gap-x-3 border-b border-base-300 py-1">
              <span class="grow">{goal.practised.title}</span>
              <span class="text-xs opacity-75">{standing(goal)}</span>
              <span class="text-xs"
                >{state === 'resting' || state === 'warm-up'
                  ? ''
                  : dayName(wording, readDay(goal.until)!, 'short')}</span
              >
            </li>
          {/each}
        </ul>
      {:else}
        <p class="mt-1 text-sm opacity-80">
          Nothing yet: <a class="link" href="/students/{data.student}/plan">take a piece into the plan</a>.
        </p>
      {/each}
    </section>
  </div>
</div>
