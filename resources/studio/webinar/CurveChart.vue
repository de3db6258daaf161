<script setup lang="ts">
import { LineChart } from 'echarts/charts';
import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { init, use, type EChartsType } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useResizeObserver } from '@vueuse/core';
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { minutesOf } from '@/funnel/desk/webinar/clock';

use([LineChart, GridComponent, TooltipComponent, MarkLineComponent, AriaComponent, CanvasRenderer]);

/** How many were there over the minutes, with the moment of the offer. */
const props = defineProps<{ step: number; counts: number[]; offerAt: number | null }>();
const box = ref<HTMLElement | null>(null);
let chart: EChartsType | undefined;

/** Seconds between two marks: round, and a dozen of them at most. */
const every = computed(() => {
    const length = props.counts.length * props.step;
    return [10, 30, 60, 120, 300, 600, 900, 1800].find((s) => length / s <= 12) ?? 3600;
});
function told(points: unknown): string {
    const [second, count] = (points as { value: [number, number] }[])[0]?.value ?? [0, 0];
    return `${minutesOf(second)}: ${count} in the room`;
}

function draw(): void {
    chart?.setOption({
        animation: false,
        aria: { enabled: true },
        textStyle: { fontFamily: "'Figtree Variable', sans-serif", color: '#20302d', fontSize: 13 },
        grid: { left: 40, right: 14, top: 26, bottom: 26 },
        tooltip: { trigger: 'axis', axisPointer: { label: { show: false } }, formatter: told },
        xAxis: {
            type: 'value',
            max: props.counts.length * props.step,
            interval: every.value,
            splitLine: { show: false },
            axisLine: { lineStyle: { color: '#8d8672' } },
            axisTick: { show: false },
            axisLabel: { color: '#5b6a64', formatter: (second: number) => minutesOf(second), showMaxLabel: false },
        },
        yAxis: {
            type: 'value',
            minInterval: 1,
            axisLine: { show: false },
            axisTick: { show: false },
            splitLine: { lineStyle: { color: '#e6ddcb' } },
            axisLabel: { color: '#5b6a64' },
        },
        series: [
            {
                name: 'In the room',
                type: 'line',
                step: 'end',
                symbol: 'none',
                areaStyle: { color: '#1e6b5e', opacity: 0.12 },
                lineStyle: { width: 2.5, color: '#1e6b5e' },
                itemStyle: { color: '#1e6b5e' },
                data: props.counts.map((count, i) => [i * props.step, count]),
                markLine:
                    props.offerAt === null
                        ? undefined
                        : {
                              symbol: 'none',
                              silent: true,
                              lineStyle: { color: '#c4533a', type: 'solid', width: 1.5 },
                              label: { formatter: 'Offer', color: '#a33e28' },
                              data: [{ xAxis: Math.min(props.counts.length * props.step, props.offerAt) }],
                          },
            },
        ],
    });
}
onMounted(() => {
    if (box.value) {
        chart = init(box.value);
        draw();
    }
});
watch(() => [props.counts, props.offerAt], draw);
useResizeObserver(box, () => chart?.resize());
onBeforeUnmount(() => chart?.dispose());
</script>

<template>
    <div ref="box" class="h-60 w-full" role="img" aria-label="How many people were in the room over the minutes"></div>
</template>
