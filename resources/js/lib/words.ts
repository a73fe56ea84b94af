import type {
    ChaseReason,
    CoverKind,
    DifferenceKind,
    HitKind,
    MessageCode,
    NeedState,
    OrderKind,
    OrderState,
    PegWay,
    PostingKind,
    PurchaseStage,
    RunStage,
} from '@/lib/shapes';
import type { Sentence } from '@/lib/t';

// The words for what the server sends as a code, each to be said with t(). A code without a word does not compile.

export const ORDER_KINDS: Record<OrderKind, Sentence> = { buy: 'Purchase', make: 'Production', transfer: 'Transfer' };

export const ORDER_STATES: Record<OrderState, Sentence> = { firm: 'Firm', released: 'Released', done: 'Done', cancelled: 'Cancelled' };

/** How far a purchase is. */
export const PURCHASE_STAGES: Record<PurchaseStage, Sentence> = {
    request: 'Request',
    firm: 'Firm',
    sent: 'Sent',
    confirmed: 'Confirmed',
    partly: 'Partly here',
    closed: 'Closed',
    cancelled: 'Cancelled',
};

/** Why a supplier is asked about a line. */
export const CHASE_REASONS: Record<ChaseReason, Sentence> = {
    late: 'late',
    otherwise: 'confirmed otherwise',
    not_confirmed: 'not confirmed',
    soon: 'due within a week',
};

export const LETTER_STATES = {
    waiting: 'to be sent',
    sending: 'on its way',
    sent: 'sent',
    failed: 'not delivered',
} as const satisfies Record<string, Sentence>;

/** Why stock moved. */
export const POSTINGS: Record<PostingKind, Sentence> = {
    receipt: 'Receipt',
    issue: 'Issue',
    shipment: 'Shipment',
    transfer: 'Sent to a site',
    count: 'Count',
    block: 'Blocked or freed',
    scrap: 'Scrapped',
    import: 'Imported',
};

/** How an item comes to a site. */
export const SUPPLY_WAYS: Record<OrderKind, Sentence> = { make: 'made here', buy: 'bought', transfer: 'from another site' };

/** The right that converting takes; not said, but sent. */
export const CONVERT_RIGHTS: Record<OrderKind, string> = {
    buy: 'convert purchases',
    make: 'convert production',
    transfer: 'convert transfers',
};

export const MESSAGE_KINDS: Record<MessageCode, Sentence> = {
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
    no_capacity: 'No capacity',
    displaced: 'Moved in the shop',
    no_room: 'No room in the shop',
};

/** What a need waits for, the worst first. */
export const NEED_STATES: Record<NeedState, Sentence> = {
    waiting: 'waits for something late',
    passed: 'should be ordered',
    order_now: 'order in time',
    covered: 'covered',
};

export const COVERS: Record<CoverKind, Sentence> = {
    stock: 'from stock',
    order: 'from open orders',
    proposal: 'from proposals',
    late: 'too late',
    nothing: 'not covered',
};

export const DIFFERENCES: Record<DifferenceKind, Sentence> = { added: 'new', gone: 'gone', changed: 'changed' };

export const PEG_WAYS: Record<PegWay, Sentence> = { down: 'Down to raw stock', up: 'Up to customers', 'hold-up': 'Only the hold-up' };

export const HITS: Record<HitKind | 'command', Sentence> = {
    item: 'Items',
    order: 'Orders',
    sales: 'Sales orders',
    job: 'Jobs',
    customer: 'Customers',
    supplier: 'Suppliers',
    command: 'Go to',
};

/** What a run is doing, in its order. */
export const RUN_STAGES: Record<RunStage, Sentence> = {
    queued: 'Waiting for its turn',
    reading: 'Reading the data',
    structure: 'Structures and levels',
    demand: 'Demand',
    netting: 'Netting',
    projection: 'What will be, and pegging',
    scheduling: 'What the shop can do',
    'catching up': 'Taking in what was written meanwhile',
    storing: 'Storing the result',
};

/** Figures of a plan in the fewest words, by their name; those that are not here are said whole. */
export const BRIEF_FIGURES: Partial<Record<string, Sentence>> = {
    lateLines: 'lines late',
    lateDays: 'days late',
    short: 'items short',
    moves: 'to move',
    purchases: 'to add',
    stockValue: 'stock value',
    overHours: 'h over 100 %',
};

export const ROLES = {
    planner: 'Planner',
    buyer: 'Buyer',
    scheduler: 'Scheduler',
    sales: 'Sales',
    viewer: 'Only looks',
    administrator: 'Administrator',
    floor: 'Floor',
    stores: 'Stores',
} as const satisfies Record<string, Sentence>;
