<script setup lang="ts">
import { BarChart, LineChart } from 'echarts/charts';
import { AriaComponent, GridComponent, LegendComponent, TooltipComponent } from 'echarts/components';
import { init, use, type EChartsType } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useResizeObserver } from '@vueuse/core';
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { calendarDay } from '@/ui/format';

use([BarChart, LineChart, GridComponent, TooltipComponent, LegendComponent, AriaComponent, CanvasRenderer]);

/** `brought`: by day, what the funnel is for; `what`: how that is called. */
const props = defineProps<{ days: { day: string; visitors: number }[]; brought: number[]; what: string }>();
const box = ref<HTMLElement | null>(null);
let chart: EChartsType | undefined;

const label = (day: string) => calendarDay(day);

function draw(): void {
    chart?.setOption({
        animation: false,
        aria: { enabled: true },
        textStyle: { fontFamily: "'Figtree Variable', sans-serif", color: '#20302d', fontSize: 13 },
        grid: { left: 36, right: 8, top: 34, bottom: 26 },
        legend: { top: 0, right: 0, itemWidth: 14, textStyle: { color: '#20302d', fontSize: 13 } },
        tooltip: { trigger: 'axis' },
        xAxis: {
            type: 'category',
            data: props.days.map((d) => label(d.day)),
            axisLine: { lineStyle: { color: '#8d8672' } },
            axisTick: { show: false },
            axisLabel: { color: '#5b6a64' },
        },
        yAxis: { type: 'value', minInterval: 1, splitLine: { lineStyle: { color: '#e6ddcb' } }, axisLabel: { color: '#5b6a64' } },
        series: [
            {
                name: 'Visitors',
                type: 'bar',
                data: props.days.map((d) => d.visitors),
                itemStyle: { color: '#d9cfb8' },
                barCategoryGap: '25%',
            },
            {
                name: props.what,
                type: 'line',
                data: props.brought,
                itemStyle: { color: '#1e6b5e' },
                lineStyle: { width: 2.5 },
                symbolSize: 5,
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
watch(() => [props.days, props.brought, props.what], draw);
useResizeObserver(box, () => chart?.resize());
onBeforeUnmount(() => chart?.dispose());
</script>

<template>
    <div
        ref="box"
        class="h-64 w-full"
        role="img"
        :aria-label="`Visitors and ${what.toLowerCase()} by day; the same numbers are in the table below`"
    ></div>
</template>
