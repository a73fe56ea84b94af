/** Words for codes of the server, each to be said with t(). */
export const MESSAGE_KINDS: Record<string, string> = {
    bring_in: 'Wanted earlier',
    push_out: 'Wanted later',
    cancel: 'Nobody needs it',
    overdue: 'Overdue',
    start_passed: 'Start has passed',
    frozen: 'In frozen days',
    late_demand: 'Demand in the past',
    no_supplier: 'No supplier',
    no_bom: 'No structure',
    below_safety: 'Runs short',
};

export const SUPPLY_KINDS: Record<string, string> = { buy: 'Purchase', make: 'Production', transfer: 'Transfer' };

/** What a need waits for, the worst first. */
export const NEED_STATES: Record<string, string> = {
    waiting: 'waiting for a late supply',
    passed: 'past the day to order',
    order_now: 'in time if ordered now',
    covered: 'covered',
};
