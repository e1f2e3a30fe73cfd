<script lang="ts">
  import { BALANCED_PARTS, HANDS_HEARD, type HandsHeard, type Score } from '@oculon/core';
  import { fileNameOf, saveFile } from '../save-file.ts';
  import type { Listening } from './listening.svelte.ts';
  import type { Rendering } from './render.ts';
  import { SUBDIVISIONS } from './sound-settings.ts';
  import type { SoundSettings } from './sound-settings-schema.ts';
  import type { TransportWords } from './transport-words.ts';

  interface Props {
    listening: Listening;
    words: TransportWords;
    score: Score;
    midi: ((asWritten: boolean, once: boolean) => Promise<Uint8Array>) | undefined;
    saysFirst: boolean;
    canSay: boolean;
  }
  let { listening, words, score, midi, saysFirst = $bindable(), canSay }: Props = $props();

  const settings = $derived(listening.settings);
  const beats = $derived(Math.max(1, ...score.bars.map(({ meter }) => meter.beats)));
  let once = $state(false);
  let share = $state<number>();
  let rendering: Rendering | undefined;
  let problem = $state('');

  type Switch = 'countIn' | 'withNext' | 'ladder' | 'waits' | 'asWritten' | 'silentBars' | 'twoAgainstThree';
  const SWITCHES: readonly Switch[] = [
    'countIn',
    'withNext',
    'ladder',
    'waits',
    'asWritten',
    'silentBars',
    'twoAgainstThree',
  ];
  const setBalance = (change: Partial<SoundSettings['balance']>): void =>
    listening.set({ balance: { ...settings.balance, ...change } });
  const setAccent = (beat: number, isOn: boolean): void =>
    listening.set({
      accents: isOn
        ? [...settings.accents, beat].sort((a, b) => a - b)
        : settings.accents.filter((each) => each !== beat),
    });

  const title = $derived(fileNameOf(score.title));
  const saveMidi = async (): Promise<void> => {
    problem = '';
    try {
      const bytes = await midi!(settings.asWritten, once);
      saveFile(new Blob([new Uint8Array(bytes)], { type: 'audio/midi' }), `${title}.mid`);
    } catch (error) {
      problem = (error as Error).message;
    }
  };
  const saveWav = async (): Promise<void> => {
    problem = '';
    share = 0;
    try {
      const sound = await listening.sound();
      const [{ render }, { passageOf }] = await Promise.all([import('./render.ts'), import('./playing.ts')]);
      const passage = (listening.loop && passageOf(sound, listening.loop, false)) ?? {
        from: 0,
        to: sound.length,
      };
      rendering = render(sound, settings, passage, (done) => (share = done));
      saveFile(new Blob([await rendering.wav], { type: 'audio/wav' }), `${title}.wav`);
    } catch (error) {
      problem = (error as Error).message;
    } finally {
      share = undefined;
    }
  };
  const cancel = (): void => {
    rendering?.cancel();
    share = undefined;
  };
</script>

<div class="options">
  <div>
    {#each SWITCHES as name (name)}
      <label
        ><input
          type="checkbox"
          class="checkbox checkbox-xs"
          checked={settings[name]}
          onchange={({ currentTarget }) => listening.set({ [name]: currentTarget.checked })}
        />
        {words[name]}</label
      >
    {/each}
    {#if canSay}
      <label
        ><input type="checkbox" class="checkbox checkbox-xs" bind:checked={saysFirst} />
        {words.sayFirst}</label
      >
    {/if}
  </div>
  <div>
    <label
      >{words.hands}
      <select
        class="select select-xs w-auto"
        value={settings.balance.hands}
        onchange={({ currentTarget }) => setBalance({ hands: currentTarget.value as HandsHeard })}
      >
        {#each HANDS_HEARD as hands (hands)}<option value={hands}>{words[`hands.${hands}`]}</option>{/each}
      </select></label
    >
    <fieldset>
      <legend class="sr-only">{words.balance}</legend>
      {#each BALANCED_PARTS as part (part)}
        <label
          ><span class="part">{words[`part.${part}`]}</span>
          <input
            type="range"
            class="range range-xs range-secondary w-28"
            min="0"
            max="1.5"
            step="0.1"
            value={settings.balance.parts[part]}
            oninput={({ currentTarget }) =>
              setBalance({ parts: { ...settings.balance.parts, [part]: Number(currentTarget.value) } })}
          /></label
        >
      {/each}
    </fieldset>
    <label
      ><span class="part">{words.volume}</span>
      <input
        type="range"
        class="range range-xs range-secondary w-28"
        min="0"
        max="1"
        step="0.05"
        value={settings.volume}
        oninput={({ currentTarget }) => listening.set({ volume: Number(currentTarget.value) })}
      /></label
    >
    <label
      ><input
        type="checkbox"
        class="checkbox checkbox-xs"
        checked={settings.balance.heldOnly}
        onchange={({ currentTarget }) => setBalance({ heldOnly: currentTarget.checked })}
      />
      {words.heldOnly}</label
    >
  </div>
  <div>
    <label
      >{words.subdivision}
      <select
        class="select select-xs w-auto"
        value={String(settings.subdivision)}
        onchange={({ currentTarget }) =>
          listening.set({ subdivision: Number(currentTarget.value) as SoundSettings['subdivision'] })}
      >
        {#each SUBDIVISIONS as count (count)}<option value={String(count)}>{count}</option>{/each}
      </select></label
    >
    <fieldset class="flex flex-wrap gap-2">
      <legend>{words.accents}</legend>
      {#each { length: beats } as _, index (index)}
        <label
          ><input
            type="checkbox"
            class="checkbox checkbox-xs"
            checked={settings.accents.includes(index + 1)}
            onchange={({ currentTarget }) => setAccent(index + 1, currentTarget.checked)}
          />
          {index + 1}</label
        >
      {/each}
    </fieldset>
    {#if !listening.remembered}
      <button class="btn btn-xs" onclick={() => listening.compare()}>{words.remember}</button>
    {/if}
    <div class="flex flex-wrap items-center gap-2">
      {#if midi}
        <button class="btn btn-xs" onclick={saveMidi}>{words.midi}</button>
        <label><input type="checkbox" class="checkbox checkbox-xs" bind:checked={once} /> {words.once}</label>
      {/if}
      {#if share === undefined}
        <button class="btn btn-xs" onclick={saveWav}>{words.wav}</button>
      {:else}
        <progress class="progress w-24" value={share} max="1" aria-label={words.writing}></progress>
        <button class="btn btn-xs" onclick={cancel}>{words.cancel}</button>
      {/if}
    </div>
    {#if problem}<p role="alert" class="text-error">{problem}</p>{/if}
  </div>
</div>

<style>
  .options {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
    gap: 0.75rem 1.5rem;
    padding: 0.75rem;
    font-size: 0.85rem;
    border-bottom: 1px solid var(--color-base-300);
    max-height: 50vh;
    overflow-y: auto;
  }
  .options > div {
    display: flex;
    flex-direction: column;
    align-items: flex-start;
    gap: 0.35rem;
  }
  label {
    display: flex;
    align-items: center;
    gap: 0.4rem;
    min-height: 24px;
  }
  .part {
    min-width: 6rem;
  }
</style>
