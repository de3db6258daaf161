/** Forecasts, as the API gives them. */
export type Measured = 'signups' | 'sales' | 'money' | 'emails';

/** Of ten worlds eight lie between the first and the last; the one in between is the middle. */
export type ForecastRange = [low: number, middle: number, high: number];

export interface ForecastResult {
    /** The first day. */
    from: string;
    weeks: Record<Measured, ForecastRange[]>;
    days: Record<Measured, ForecastRange[]>;
    all: Record<Measured, ForecastRange>;
    lives: number;
    /** How many people came in the weeks it is drawn from. */
    arrived: number;
    currency: string;
    past: { from: string; to: string; forecast: Record<Measured, ForecastRange>; came: Record<Measured, number> } | null;
}

export interface ForecastState {
    live: boolean;
    making: boolean;
    failed: boolean;
    madeAt: string | null;
    result: ForecastResult | null;
}
