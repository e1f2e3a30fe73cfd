<script lang="ts">
  import {
    drillKindNamed,
    parameterName,
    valueName,
    englishWording,
    type DrillName,
    type Parameter,
    type ParameterValue,
  } from '@oculon/core';
  import { ArrowDown, ArrowUp } from '@lucide/svelte';

  interface Props {
    kind: DrillName;
    /** What is chosen, as it is typed; what is missing is as it is at first. */
    typed: Readonly<Record<string, string>>;
    onchoose: (name: string, value: string) => void;
  }
  const { kind, typed, onchoose }: Props = $props();

  const wording = englishWording();
  const parameters = $derived(Object.entries(drillKindNamed(kind)!.parameters));
  const valueOf = (name: string, { initial }: Parameter): string =>
    typed[name] ?? (typeof initial === 'object' ? initial.join('+') : String(initial));
  const shown = (name: string, value: ParameterValue): string => valueName(wording, name, value);

  /** A sequence with one of its members taken in or out; one always stays. */
  const withMember = (members: readonly string[], member: string): string => {
    if (!members.includes(member)) return [...members, member].join('+');
    return members.length === 1 ? members.join('+') : members.filter((each) => each !== member).join('+');
  };
  const moved = (members: readonly string[], from: number, by: number): string => {
    const next = [...members];
    const [member] = next.splice(from, 1);
    next.splice(from + by, 0, member!);
    return next.join('+');
  };
</script>

<div class="grid grid-cols-2 gap-3 text-sm">
  {#each parameters as [name, parameter] (`${kind} ${name}`)}
    {@const value = valueOf(name, parameter)}
    {#if parameter.kind === 'choice'}
      <label
        class={parameter.values.length > 6 || parameter.values.some((each) => shown(name, each).length > 12)
          ? 'col-span-2'
          : ''}
        >{parameterName(wording, name)}
        <select
          class="select select-sm mt-1 w-full"
          {value}
          onchange={(event) => onchoose(name, event.currentTarget.value)}
        >
          {#each parameter.values as each (each)}<option value={each}>{shown(name, each)}</option>{/each}
        </select></label
      >
    {:else if parameter.kind === 'number'}
      <label
        >{parameterName(wording, name)}
        {#if name === 'tempo'}<span class="opacity-70">♩ =</span>{/if}
        {#if name === 'position'}
          <select
            class="select select-sm mt-1 w-full"
            {value}
            onchange={(event) => onchoose(name, event.currentTarget.value)}
          >
            {#each { length: parameter.most - parameter.least + 1 } as _, place (place)}
              <option value={String(parameter.least + place)}>{shown(name, parameter.least + place)}</option>
            {/each}
          </select>
        {:else}
          <input
            class="input input-sm mt-1 w-full"
            type="number"
            min={parameter.least}
            max={parameter.most}
            {value}
            onchange={(event) => onchoose(name, event.currentTarget.value)}
          />
        {/if}
      </label>
    {:else}
      {@const members = value.split('+')}
      <fieldset class="col-span-2">
        <legend>{parameterName(wording, name)}</legend>
        <ol class="mt-1 flex flex-wrap gap-1">
          {#each members as member, place (member)}
            <li class="join">
              <button
                type="button"
                class="btn join-item btn-xs"
                aria-label="{shown(name, [member])} earlier"
                disabled={place === 0}
                onclick={() => onchoose(name, moved(members, place, -1))}
                ><ArrowUp class="size-3 -rotate-90" aria-hidden="true" /></button
              >
              <button
                type="button"
                class="btn join-item btn-xs"
                aria-label="leave {shown(name, [member])} out"
                disabled={members.length === 1}
                onclick={() => onchoose(name, withMember(members, member))}>{shown(name, [member])}</button
              >
              <button
                type="button"
                class="btn join-item btn-xs"
                aria-label="{shown(name, [member])} later"
                disabled={place === members.length - 1}
                onclick={() => onchoose(name, moved(members, place, 1))}
                ><ArrowDown class="size-3 -rotate-90" aria-hidden="true" /></button
              >
            </li>
          {/each}
        </ol>
        {#if members.length < parameter.values.length}
          <p class="mt-1 flex flex-wrap items-center gap-1 text-xs">
            <span class="opacity-70">left out:</span>
            {#each parameter.values.filter((each) => !members.includes(each)) as each (each)}
              <button
                type="button"
                class="btn btn-outline btn-xs"
                aria-label="take {shown(name, [each])} in"
                onclick={() => onchoose(name, withMember(members, each))}>{shown(name, [each])}</button
              >
            {/each}
          </p>
        {/if}
      </fieldset>
    {/if}
  {/each}
</div>
