// Written by `php artisan yposta:types` from the classes that are sent; change those.

/** What arrives on another day: a sales line, or an order. */
export type ArrivalKind = 'line' | 'order';

/** What is wrong with a balance: it ends a period below zero, dips below zero in it, or goes below the safety stock. */
export type BalanceMark = 'calm' | 'look' | 'dip' | 'broken';

/** The stretch of time that a forecast or a record sums up: a day, an ISO week from Monday, a calendar month. */
export type BucketSize = 'day' | 'week' | 'month';

/** Why somebody asks a supplier about a line. */
export type ChaseReason = 'late' | 'otherwise' | 'not_confirmed' | 'soon';

/** What a part of a need is covered by. */
export type CoverKind = 'stock' | 'order' | 'proposal' | 'late' | 'nothing';

/** What needs material: forecast, jobs, transfers out, components, safety stock, sales; this is the order of references. */
export type DemandKind = 'forecast' | 'job' | 'out' | 'part' | 'safety' | 'sales';

/** How an element of one plan differs from that of another. */
export type DifferenceKind = 'added' | 'gone' | 'changed';

/** What the plan grid shows of each period. */
export type GridFigure = 'balance' | 'needed' | 'to_start';

/** What a search has found. */
export type HitKind = 'item' | 'order' | 'sales' | 'job' | 'customer' | 'supplier';

/** How far what an order needs is held. */
export type HoldStatus = 'complete' | 'partly' | 'none';

/** What a run has to say about an order, a proposal, a demand or a stock (the table of section 5). */
export type MessageCode =
    | 'bring_in'
    | 'push_out'
    | 'cancel'
    | 'overdue'
    | 'start_passed'
    | 'frozen'
    | 'late_demand'
    | 'no_supplier'
    | 'no_bom'
    | 'below_safety'
    | 'no_capacity'
    | 'displaced'
    | 'no_room';

/** What a need that is not covered by what there is waits for. In the order in which they matter. */
export type NeedState = 'waiting' | 'passed' | 'order_now' | 'covered';

/** How a supply comes about. */
export type OrderKind = 'make' | 'buy' | 'transfer';

/** How far an order is. */
export type OrderState = 'firm' | 'released' | 'done' | 'cancelled';

/** The way in which pegs are followed: to what serves a need, to whom a supply is for, or along the chain that decides a date. */
export type PegWay = 'down' | 'up' | 'hold-up';

/** What may hold an operation where it stands. */
export type PlaceReasonKind = 'now' | 'not_before' | 'operation' | 'material' | 'taken' | 'opens' | 'by_hand' | 'kept';

/** Why stock moved. */
export type PostingKind = 'receipt' | 'issue' | 'shipment' | 'transfer' | 'count' | 'block' | 'scrap' | 'import';

/** How far a purchase is. */
export type PurchaseStage = 'request' | 'firm' | 'sent' | 'confirmed' | 'partly' | 'closed' | 'cancelled';

/** What could be done about a need that is not covered in time, or about a work centre that has more to do than it can. */
export type RemedyKind =
    | 'move_order'
    | 'move_line'
    | 'substitute'
    | 'pull_in'
    | 'hurry'
    | 'order_now'
    | 'other_supplier'
    | 'buy_instead'
    | 'take_from'
    | 'transfer'
    | 'split'
    | 'urgent'
    | 'do_earlier'
    | 'do_later'
    | 'other_centre'
    | 'less_forecast'
    | 'open_longer'
    | 'smaller_lots'
    | 'do_before'
    | 'let_go'
    | 'split_work';

/** What becomes of a row that is brought. */
export type RowFate = 'new' | 'changed' | 'same' | 'wrong';

/** What a run is doing, in its order. */
export type RunStage = 'queued' | 'reading' | 'structure' | 'demand' | 'netting' | 'projection' | 'scheduling' | 'catching up' | 'storing';

/** How far a run is. */
export type RunStatus = 'queued' | 'running' | 'done' | 'failed';

/** What an improvement lowers. */
export type ScheduleAim = 'late' | 'makespan';

/** Whether work lies as early or as late as it can. */
export type ScheduleDirection = 'forward' | 'backward';

/** Who goes first. */
export type ScheduleRule = 'due' | 'priority' | 'list' | 'setup';

/** What is being done for a schedule, in its order. */
export type ScheduleStage = 'reading' | 'planning' | 'standing' | 'scheduling' | 'improving';

/** How far a schedule is that was asked for, and what became of it. */
export type ScheduleStatus = 'queued' | 'running' | 'done' | 'failed' | 'dropped' | 'kept';

/** What covers a demand, in the order of references. */
export type SupplyKind = 'stock' | 'order' | 'proposal';

/** What stands on the time axis of a thread. */
export type ThreadKind = 'line' | 'stock' | 'order' | 'proposal' | 'gap';

/** How strongly a line is said. */
export type Tone = 'plain' | 'mute' | 'sum' | 'look' | 'broken';

/** Whether a centre's units are people or machines. */
export type WorkCentreKind = 'people' | 'machine';

/** All that is kept of an item, a supplier or a work centre. */
export interface AboutPage {
    of: 'items' | 'suppliers' | 'work_centres';
    code: string;
    name: string;
    kind: DataKind;
    own: DataRecord;
    facts: LabelledValue[];
    tables: AboutTable[];
}

/** What is kept of one thing in a kind of data. */
export interface AboutTable {
    kind: DataKind;
    by: string;
    list: DataRecords;
}

/** Who is signed in, and their password. */
export interface AccountPage {
    email: string;
    shortest: number;
    feedSince: string | null;
    sessions: SessionRow[];
}

/** A proposal that should be converted together with others, so that nobody has to wait. */
export interface AlongRow {
    number: number;
    item: string;
    name: string;
    qty: string;
    unit: string;
    due: string;
}

/** A sales line or an open order that arrives on another day than before; ISO dates. */
export interface ArrivalChangeRow {
    kind: ArrivalKind;
    reference: string;
    label: string;
    item: string;
    name: string;
    customer: string;
    qty: string;
    unit: string;
    due: string;
    before: string | null;
    after: string | null;
    days: number;
    hurts: boolean;
    helps: boolean;
    href: string | null;
    need: string;
}

/** What serves a need, how much and from when on. */
export interface AskedCover {
    label: string;
    qty: string;
    late: boolean;
    href: string | null;
}

/** A need below what was asked for, and how it is covered. Quantities are decimals as text, dates are ISO dates. */
export interface AskedNeed {
    item: string;
    name: string;
    site: string;
    unit: string;
    for: string;
    qty: string;
    date: string;
    identity: string | null;
    cover: AskedCover[];
    short: string;
    decides: boolean;
}

/** When what was asked for is complete, and through what. */
export interface AvailabilityAnswer {
    label: string;
    item: string;
    name: string;
    site: string;
    unit: string;
    qty: string;
    wanted: string;
    complete: string | null;
    inTime: boolean;
    fromStock: boolean;
    decidedBy: string;
    rows: ThreadRow[];
    needs: AskedNeed[];
    full: boolean;
    closed: string[];
    slips: ArrivalChangeRow[];
    figures: DraftFigure[];
    decimals: number;
    draftDay: string;
    changes: string;
    withShop: boolean;
}

/** Stock that nobody may use, or that the books owe. Quantities are decimals. */
export interface BlockedStock {
    item: string;
    name: string;
    site: string;
    unit: string;
    decimals: number;
    blocked: string;
    owed: string;
    why: string;
}

/** An operation where it stands. */
export interface BoardBar {
    order: number;
    op: number;
    centre: number;
    units: number[];
    start: number;
    end: number;
    ready: number | null;
    done: string;
    place: string;
}

/** A work centre on the board. */
export interface BoardCentre {
    code: string;
    name: string;
    site: string;
    units: number;
    open: BoardStretch[];
}

/** What an order of the board waits for, or what waits for it. */
export interface BoardNeighbour {
    of: string | null;
    label: string;
    note: string;
    when: string;
    isLate: boolean;
    href: string | null;
}

/** An order or a proposal on the board. */
export interface BoardOrder {
    of: string;
    label: string;
    item: string;
    name: string;
    qty: string;
    unit: string;
    state: string;
    family: string;
    customers: string[];
    target: number | null;
    way: string;
    late: number;
    isPlaced: boolean;
    isDrafted: boolean;
    due: string;
}

/** The board of the shop; what stands on it comes after the page has. */
export interface BoardPage {
    planned: boolean;
    of: string;
    may: boolean;
}

/** An order or proposal of the board that is looked at: its operations, why they stand there, and who waits for whom. */
export interface BoardPick {
    order: BoardOrder;
    page: Link | null;
    steps: BoardStep[];
    waitsFor: BoardNeighbour[];
    waited: BoardNeighbour[];
    trouble: string | null;
}

/** What comes of putting an operation somewhere. */
export interface BoardPlace {
    end: number | null;
    trouble: string | null;
    over: string[];
}

/** What comes of putting operations somewhere, together. */
export interface BoardPlaces {
    places: BoardPlace[];
    changes: string;
}

/** What holds an operation back, and until when. */
export interface BoardReason {
    kind: PlaceReasonKind;
    says: string;
    until: number;
    of: string | null;
}

/** An operation of a picked order. */
export interface BoardStep {
    op: number;
    centre: string;
    centreName: string;
    units: string;
    start: number | null;
    end: number | null;
    place: string;
    crew: number;
    centres: string[];
    reasons: BoardReason[];
}

/** A time in which units of a work centre are on. */
export interface BoardStretch {
    from: number;
    to: number;
    units: number[] | null;
}

/** What runs when on which unit. Minutes count from 00:00 of the plan date. */
export interface BoardTable {
    from: number;
    to: number;
    frozen: number | null;
    centres: BoardCentre[];
    orders: BoardOrder[];
    bars: BoardBar[];
    waiting: BoardOrder[];
    waitingCount: number;
    late: number;
    stamp: string;
}

/** Requests that became purchase orders. */
export interface Bought {
    orders: MadeOrder[];
    message: string;
}

/** A column of a table that is brought. */
export interface BroughtColumn {
    head: string;
    field: string;
    samples: string[];
}

/** Days off that are brought. */
export interface BroughtDays {
    new: number;
    same: number;
    partial: number;
    some: DataEdited[];
    change: string | null;
}

/** A row of a table that is brought. */
export interface BroughtRow {
    line: number;
    fate: RowFate;
    row: string;
    what: string;
}

/** A table that is brought, held against what stands. */
export interface BroughtRows {
    columns: BroughtColumn[];
    hasHead: boolean;
    decimal: string | null;
    ambiguous: string | null;
    new: number;
    changed: number;
    same: number;
    wrong: number;
    rows: BroughtRow[];
    missing: string[];
}

/** A day of a calendar. */
export interface CalendarDate {
    day: string;
    works: boolean;
    isSpecial: boolean;
    note: string;
    isDrafted: boolean;
}

/** When is worked. */
export interface CalendarPage {
    calendar: CalendarYear;
}

/** A calendar over a year, with what the draft has changed of it. */
export interface CalendarYear {
    code: string;
    year: number;
    weekdays: string;
    months: CalendarDate[][];
    workingDays: number;
    usedBy: string[];
    others: string[];
}

/** The load of work centres; what fills them is worked out with the person's draft and comes after the page. */
export interface CapacityPage {
    filter: { bucket: BucketSize; as: 'percent' | 'hours'; from: string; kind: '' | 'orders' | 'proposals'; over: '' | '1'; q: string };
    planned: boolean;
    views: SavedView[];
}

/** Whom a supply is for, in parts of 1000; the rest is for the stock rule. */
export interface CauseStrip {
    sales: number;
    forecast: number;
}

/** A change of data since the plan was made. */
export interface ChangeRow {
    text: string;
    by: string;
    at: string;
}

/** What suppliers owe that somebody should ask about. */
export interface ChasePage {
    rows: ChaseRow[];
    total: number;
    reasons: Record<string, number>;
    filter: Record<string, string>;
    may: boolean;
}

/** A line that a supplier owes, and why he is asked about it. */
export interface ChaseRow {
    code: string;
    order: string;
    number: number;
    supplierCode: string;
    supplier: string;
    item: string;
    theirs: string;
    name: string;
    qty: string;
    open: string;
    millionths: number;
    unit: string;
    decimals: number;
    due: string;
    daysLate: number;
    confirmedDue: string | null;
    confirmedQty: string | null;
    reasons: ChaseReason[];
    hasMail: string;
    chased: string | null;
}

/** A code and what it stands for. */
export interface CodeAndName {
    code: string;
    name: string;
}

/** A draft that was written: what is said about it, its number in the journal, the codes of new orders. */
export interface Committed {
    message: string;
    commit: number | null;
    orders: string[];
}

/** What holds for the whole company. */
export interface CompanyPage {
    values: CompanyValues;
    isDemo: boolean;
    timeZones: string[];
    calendars: string[];
}

/** What holds for the whole company. */
export interface CompanyValues {
    name: string;
    address: string;
    currency: string;
    timeZone: string;
    calendar: string;
    numbers: 'point' | 'comma';
    overPercent: number;
    holdOnRelease: boolean;
    countUnsent: boolean;
    belowZero: boolean;
}

/** Two plans side by side; `differences` counts all, the lists hold `most`. */
export interface ComparePage {
    filter: { a: string; b: string; list: 'late' | 'proposals' | 'messages' | 'stock' | 'load' };
    choices: PlanChoice[];
    running: number | null;
    failure: string | null;
    figures: ComparedFigure[];
    differences: { late: number; proposals: number; messages: number; stock: number; load: number } | null;
    late: ComparedLate[];
    proposals: ComparedProposal[];
    messages: ComparedMessage[];
    stock: ComparedStock[];
    loads: ComparedLoad[];
    most: number;
}

/** A total of two plans. */
export interface ComparedFigure {
    label: string;
    before: string;
    after: string;
    change: string | null;
    worse: boolean;
    better: boolean;
}

/** A late sales line in two plans. `kind` is added, gone or changed; dates are ISO dates, null where it is on time. */
export interface ComparedLate {
    kind: DifferenceKind;
    order: string;
    line: string;
    customer: string;
    item: string;
    site: string;
    qty: string;
    unit: string;
    due: string;
    before: string | null;
    after: string | null;
    daysBefore: number;
    daysAfter: number;
    why: string;
}

/** How full a work centre is in a week in two plans; hours as text, percent null where it can do nothing. */
export interface ComparedLoad {
    centre: string;
    name: string;
    week: string;
    percentBefore: number | null;
    percentAfter: number | null;
    hoursBefore: string;
    hoursAfter: string;
    change: string;
    worse: boolean;
    better: boolean;
}

/** A message in two plans. */
export interface ComparedMessage {
    kind: DifferenceKind;
    code: MessageCode;
    about: string;
    item: string;
    site: string;
    before: string;
    after: string;
}

/** A proposal in two plans. */
export interface ComparedProposal {
    kind: DifferenceKind;
    item: string;
    name: string;
    site: string;
    unit: string;
    supply: OrderKind;
    before: ComparedSupply | null;
    after: ComparedSupply | null;
}

/** The average value of the projected stock of an item in two plans. */
export interface ComparedStock {
    item: string;
    name: string;
    site: string;
    before: string;
    after: string;
    change: string;
    more: boolean;
}

/** A proposal of one of two compared plans. */
export interface ComparedSupply {
    qty: string;
    start: string;
    due: string;
    expected: string;
    supplier: string | null;
}

/** The question that "When is it complete?" starts from; the answer is planned after the page has come. */
export interface CompletePage {
    subject: string;
    qty: string;
    due: string;
}

/** What an order still needs. */
export interface ComponentRow {
    line: string;
    item: string;
    name: string;
    unit: string;
    qty: string;
    issued: string;
    open: string;
    decimals: number;
    need: string;
    strip: Strip | null;
    substitutes: SubstituteChoice[];
}

/** A component in two structures: how much goes into one of each, and what that costs; null where it does not. */
export interface ContentRow {
    component: string;
    name: string;
    unit: string;
    first: string | null;
    second: string | null;
    firstCost: string;
    secondCost: string;
    isSame: boolean;
}

/** Whom a conversion would make wait, and the proposals that would prevent it; `left` lines wait even with those. */
export interface ConversionDelays {
    lines: ArrivalChangeRow[];
    along: AlongRow[];
    left: number;
}

/** What converting would make, before anything is made. */
export interface ConversionPreview {
    orders: OrderToMake[];
    lines: LineToConvert[];
    message: string;
    worth: string;
}

/** Proposals that became orders. */
export interface Converted {
    orders: MadeOrder[];
    commit: number;
    message: string;
}

/** What a component adds to the cost of one. */
export interface CostPartRow {
    component: string;
    name: string;
    qty: string;
    unit: string;
    each: string;
    cost: string;
    share: number;
    isRolled: boolean;
}

/** What an item costs in material, and what is left of its price; in the currency. */
export interface CostRow {
    item: string;
    name: string;
    unit: string;
    isRolled: boolean;
    cost: string;
    kept: string;
    price: string | null;
    margin: string | null;
    percent: number | null;
    before: string | null;
    marginBefore: string | null;
}

/** Costs from a place of their list on, and how many there are in all. */
export interface CostRows {
    rows: CostRow[];
    total: number;
}

/** Another cost of an item that is tried. */
export interface CostTrial {
    item: string;
    name: string;
    to: string;
    before: string;
    changed: number;
    change: string;
}

/** What items cost in material, and what is left of their prices. */
export interface CostsPage {
    filter: { q: string; show: '' | 'all'; sort: string; item: string; to: string };
    rows: CostRow[];
    total: number;
    trial: CostTrial | null;
    currency: string;
    refusal: string | null;
}

/** A count of many items. */
export interface CountPage {
    may: boolean;
}

/** What was counted of an item beside what the books say. */
export interface CountRow {
    line: number;
    item: string;
    name: string;
    unit: string;
    decimals: number;
    qty: string | null;
    books: string | null;
    difference: string | null;
    value: string | null;
    trouble: string | null;
}

/** A count before it is booked: what differs first, the largest value at the top. */
export interface CountSheetRows {
    rows: CountRow[];
    agree: number;
    message: string;
}

/** What became of the run that begins by itself each day. */
export interface DailyRun {
    name: string;
    at: string | null;
    said: string;
    failed: boolean;
}

/** How many rows there are of a kind of master data. */
export interface DataCount {
    kind: string;
    title: string;
    count: number;
}

/** What one new value does to some rows of master data. */
export interface DataEdit {
    count: number;
    some: DataEdited[];
    change: string | null;
}

/** A row of master data with what of it differs. */
export interface DataEdited {
    row: string;
    what: string;
}

/** A column of master data, as one fills it in. */
export interface DataField {
    name: string;
    label: string;
    type: 'code' | 'text' | 'row' | 'decimal' | 'whole' | 'flag' | 'choice' | 'day' | 'instant' | 'clock' | 'weekdays';
    choices: LabelledValue[];
    of: string | null;
    isNeeded: boolean;
    isKey: boolean;
    usual: string;
}

/** A kind of master data. */
export interface DataKind {
    kind: string;
    title: string;
    one: string;
    many: string;
    fields: DataField[];
    isTyped: boolean;
}

/** The master data, one kind at a time. */
export interface DataPage {
    shelves: DataShelf[];
    kind: DataKind;
    list: DataRecords;
    filter: Record<string, string>;
    opens: 'bring' | 'new' | null;
}

/** A row of master data. */
export interface DataRecord {
    identity: string[];
    record: string;
    values: Record<string, string | number | boolean | null>;
}

/** Some rows of a kind of master data. */
export interface DataRecords {
    rows: DataRecord[];
    total: number;
}

/** Kinds of master data that belong together. */
export interface DataShelf {
    title: string;
    kinds: DataCount[];
}

/** A day that has passed in the demo. */
export interface DayPassed {
    day: string;
    said: string[];
}

/** Sales lines or a forecast. */
export interface DemandPage {
    filter: {
        view: 'sales' | 'forecast';
        q: string;
        late: string;
        forecast: string;
        size: '' | 'day' | 'week' | 'month';
        sort: string;
        by: '' | 'customer' | 'item' | 'week' | 'site';
    };
    sales: SalesRow[];
    total: number;
    late: number;
    forecasts: ForecastHeading[];
    periods: ForecastPeriod[];
    bucket: 'day' | 'week' | 'month';
    rows: ForecastRow[];
    allRows: number;
    views: SavedView[];
}

/** A person's draft as the tray shows it, with what is drafted of the rows of other pages. */
export interface DraftAnswer {
    state: DraftState;
    marks: DraftMark[];
}

/** A total with and without a draft, as text; worse and better as a planner sees it. */
export interface DraftFigure {
    name: string;
    label: string;
    before: string;
    after: string;
    change: string;
    worse: boolean;
    better: boolean;
}

/** A line of a draft: what it says, what it does on top of the lines above it, and why it does not fit any more. */
export interface DraftLine {
    id: number;
    kind: string;
    sentence: string;
    parts: string[];
    figures: DraftFigure[];
    notes: string[];
    trouble: string | null;
    moved: boolean;
    may: boolean;
}

/** What a draft makes of something that stands in a list, by its reference; null where it stays. */
export interface DraftMark {
    reference: string;
    due: string | null;
    qty: string | null;
    text: string;
}

/** A draft as its tray shows it. */
export interface DraftState {
    version: number;
    lines: DraftLine[];
    figures: DraftFigure[];
    slips: ArrivalChangeRow[];
    canUndo: boolean;
    canRedo: boolean;
    troubles: number;
    expected: Record<string, DraftedArrival>;
    broken: string | null;
}

/** When something that a draft moves is there: an ISO date, null where it is not covered; and the days after its date. */
export interface DraftedArrival {
    day: string | null;
    lateDays: number;
}

/** The balances that a draft changes, by point and first day of the period, as decimals. */
export interface DraftedBalances {
    balances: Record<string, Record<string, string>>;
}

/**
 * The first day on which all can be there, whom that would make late, and the first on which nobody is; ISO dates, null where none was
 * found.
 */
export interface EarliestDay {
    day: string | null;
    hurts: string[];
    harmless: string | null;
}

/** Where a number comes from. */
export interface Explanation {
    title: string;
    lines: ExplanationLine[];
    pegsTitle: string;
    pegs: ExplanationPeg[];
}

/** A line of the arithmetic behind a number. `tone` is plain, sum, mute or broken. */
export interface ExplanationLine {
    text: string;
    qty: string | null;
    tone: Tone;
}

/** Whom or what a number is linked to. */
export interface ExplanationPeg {
    what: Link;
    note: string;
    qty: string;
}

/** A step from nothing to a first plan. */
export interface FirstStep {
    title: string;
    why: string;
    isNeeded: boolean;
    isDone: boolean;
    kinds: DataCount[];
}

/** A supply or demand in date order. `kind` is stock, order, proposal, or the kind of demand. */
export interface FlowRow {
    date: string;
    kind: SupplyKind | DemandKind;
    what: Link;
    note: string;
    lateDays: number;
    qty: string;
    balance: string;
    mark: BalanceMark;
}

/** A forecast: what it is for, the days that it speaks of, and what most of its figures are kept in. */
export interface ForecastHeading {
    code: string;
    purpose: string;
    begins: string | null;
    ends: string | null;
    bucket: BucketSize;
    isCounted: boolean;
}

/** An item of a forecast over time, and how far what has passed was from what was ordered. */
export interface ForecastOutlook {
    item: string;
    site: string;
    name: string;
    unit: string;
    decimals: number;
    periods: OutlookPeriod[];
    mape: number | null;
    bias: number | null;
    passed: number;
    isCounted: boolean;
    trouble: string | null;
}

/** A period of a forecast: its days, and whether figures are typed in it: not once it has passed, nor outside of the forecast's days. */
export interface ForecastPeriod {
    start: string;
    end: string;
    isOpen: boolean;
}

/** A forecast of an item at a site over the periods of its list. */
export interface ForecastRow {
    item: string;
    site: string;
    name: string;
    unit: string;
    decimals: number;
    bucket: BucketSize;
    isTyped: boolean;
    qty: string[];
    consumed: string[];
    left: string[];
    versions: number[];
}

/** Items of a forecast from a place of their list on, and how many there are in all. */
export interface ForecastRows {
    rows: ForecastRow[];
    total: number;
}

/** What came of figures that were typed into a forecast. */
export interface ForecastWritten {
    commit: number | null;
    figures: number;
    text: string;
}

/** What would make a work centre less full, how full it is then, and what it costs others: what is compared first stands first. */
export interface FoundRelief {
    row: RemedyRow;
    figure: LoadFigure;
    cost: number[];
}

/** A remedy, and what it costs others: what is compared first stands first. */
export interface FoundRemedy {
    row: RemedyRow;
    cost: number[];
}

/** A request that purchasing gave back. */
export interface GivenBack {
    code: string;
    item: string;
    site: string;
    reason: string;
    by: string;
    at: string;
}

/** One bucket of the plan grid: the figure asked for. `mark` is of a balance: calm, look, dip (short on a day in between) or broken. */
export interface GridCell {
    start: string;
    figure: string;
    mark: BalanceMark;
    proposed: boolean;
    ordered: boolean;
}

/** A planning point in the plan grid. */
export interface GridRow {
    item: string;
    site: string;
    name: string;
    unit: string;
    decimals: number;
    level: number;
    supply: OrderKind;
    troubleFrom: string | null;
    cells: GridCell[];
}

/** Some rows of the plan grid, and the run that they are of. */
export interface GridRows {
    rows: GridRow[];
    run: number;
}

/** What a bought part is needed for over all levels against what there is. Quantities are decimals as text. */
export interface GrossRow {
    item: string;
    name: string;
    site: string;
    unit: string;
    qty: string;
    stock: string;
    incoming: string;
    missing: string;
}

/** What is bought for something, over all levels. */
export interface GrossRows {
    rows: GrossRow[];
}

/**
 * An open order or sales line with how far what it needs is held for it. Shares in thousandths: what is held, and what is there in time
 * beside that; `holdable` counts the needs of which more could be held. `room` says which work centre has none for a production order,
 * where the plan does not go by the shop; null where all have.
 */
export interface HeldOrder {
    reference: string;
    subject: Link;
    item: string;
    name: string;
    due: string;
    status: HoldStatus;
    needs: number;
    complete: number;
    wanted: string;
    kept: string;
    available: boolean;
    heldShare: number;
    freeShare: number;
    holdable: number;
    room: string | null;
}

/** Supply that is held for a demand; ISO dates. */
export interface HeldRow {
    demand: string;
    supply: string;
    consumer: Link;
    from: string;
    item: string;
    name: string;
    unit: string;
    qty: string;
    due: string | null;
    arrives: string | null;
    others: Subject[];
}

/** Something that was done to a record. */
export interface HistoryRow {
    at: string;
    by: string;
    sentence: string;
    undoes: number | null;
    isUndone: boolean;
}

/** Something found by the search. */
export interface Hit {
    kind: HitKind;
    label: string;
    note: string;
    href: string;
}

/** An item at one of the sites that plan it. */
export interface ItemPage {
    item: string;
    detail: PointDetail | null;
    plannedAt: string[];
    filter: { q: string; supply: string; supplier: string; trouble: string; sort: string; bucket: BucketSize; as: 'expected' | 'needed' };
}

/** What is done in a job and when, with what that needs; the code is empty for lines of none. */
export interface JobActivityRow {
    activity: string;
    name: string;
    begins: string | null;
    ends: string | null;
    lines: JobLineRow[];
}

/** A job in full. */
export interface JobDetail {
    job: JobRow;
    row: DataRecord;
    activities: JobActivityRow[];
}

/** What a job needs, where it comes from, and what it costs. */
export interface JobLineRow {
    row: DataRecord;
    reference: string;
    line: string;
    activity: string;
    item: string | null;
    name: string;
    site: string;
    unit: string;
    decimals: number;
    qty: string;
    issued: string;
    open: string;
    due: string;
    approved: boolean;
    isPlanned: boolean;
    expected: string | null;
    lateDays: number;
    strip: Strip | null;
    from: ExplanationPeg[];
    stock: string;
    ordered: string;
    proposed: string;
    estimated: string;
    committed: string;
    actual: string;
}

/** A job in the list, or at the head of its page. Costs in the currency. */
export interface JobRow {
    code: string;
    name: string;
    customer: string;
    priority: number;
    begins: string | null;
    ends: string | null;
    lines: number;
    toApprove: number;
    placeholders: number;
    late: number;
    expected: string | null;
    estimated: string;
    committed: string;
    actual: string;
    record: string;
}

/** Jobs from a place of their list on, and how many there are in all. */
export interface JobRows {
    rows: JobRow[];
    total: number;
}

/** Projects for customers: all of them, or one. */
export interface JobsPage {
    filter: { q: string; job: string; sort: string };
    jobs: JobRow[];
    total: number;
    detail: JobDetail | null;
    kinds: { jobs: DataKind; job_activities: DataKind; job_lines: DataKind };
    currency: string;
}

/** What people changed. */
export interface JournalPage {
    entries: JournalRow[];
    filter: { q: string };
    most: number;
}

/** An entry of the journal; what was committed can be undone as a whole. */
export interface JournalRow {
    id: number;
    at: string;
    by: string;
    sentence: string;
    parts: string[];
    commit: number | null;
    undone: boolean;
}

/** A run kept by name. */
export interface KeptRunRow {
    name: string;
    choices: RunChoices;
    dailyAt: string | null;
    trouble: string | null;
    by: string;
    version: number;
}

/** What a run can be begun with. */
export interface KeptRuns {
    last: RunChoices;
    rows: KeptRunRow[];
    families: string[];
    timeZone: string;
}

/** A draft that was kept as a study, and the run that plans it. */
export interface KeptStudy {
    study: number;
    name: string;
    run: number;
}

/** A label and its value. */
export interface LabelledValue {
    label: string;
    value: string;
}

/** A letter that left the house, or is to. */
export interface LetterRow {
    id: number;
    kind: string;
    supplier: string;
    order: Link | null;
    recipient: string;
    subject: string;
    body: string;
    state: string;
    error: string;
    tries: number;
    by: string;
    at: string;
    files: Link[];
}

/** Letters as far as they are shown. */
export interface LetterRows {
    rows: LetterRow[];
    total: number;
    failed: number;
}

/** Letters to suppliers. */
export interface LettersPage {
    list: LetterRows;
    filter: Record<string, string>;
    may: boolean;
    staysInside: boolean;
}

/** What a proposal is worth as it was changed, or why it cannot be converted so. */
export interface LineToConvert {
    number: number;
    value: string | null;
    currency: string;
    instead: string | null;
    trouble: string | null;
}

/** Something with a page of its own, and what to call it. */
export interface Link {
    label: string;
    href: string | null;
}

/** Why a centre is as full as it is in a period. */
export interface LoadAnswer {
    centre: string;
    name: string;
    units: number;
    efficiency: string;
    period: LoadPeriod;
    figure: LoadFigure;
    open: number;
    shifts: string[];
    closures: string[];
    operations: LoadOperation[];
    operationCount: number;
    demands: LoadDemand[];
    demandCount: number;
    forNobody: number;
    note: string | null;
}

/** A sales line or a forecast that a centre works for in a period; ISO date. */
export interface LoadDemand {
    demand: Link;
    isForecast: boolean;
    item: string;
    qty: string;
    due: string | null;
    minutes: number;
}

/** How full a centre or a group of them is in a period: minutes, and what they are for. What is left is for stock rules and lot sizes. */
export interface LoadFigure {
    capacity: number;
    load: number;
    sales: number;
    forecast: number;
    percent: number | null;
    over: boolean;
}

/** The work centres of a site and a kind, with their sum. */
export interface LoadGroup {
    site: string;
    siteName: string;
    kind: WorkCentreKind;
    figures: LoadFigure[];
    rows: LoadRow[];
}

/** An operation that takes time of a centre in a period, with its arithmetic in words. */
export interface LoadOperation {
    order: Link;
    name: string;
    op: number;
    arithmetic: string;
    minutes: number;
}

/** A day, week or month of the load; ISO dates; what lies before the plan date counts for nothing. */
export interface LoadPeriod {
    from: string;
    to: string;
}

/** A work centre over the periods that are shown. */
export interface LoadRow {
    centre: string;
    name: string;
    units: number;
    figures: LoadFigure[];
}

/** How full work centres are over the periods that are shown. */
export interface LoadTable {
    periods: LoadPeriod[];
    groups: LoadGroup[];
    over: number;
    earlier: string | null;
    later: string | null;
}

/** An order that was made of proposals. */
export interface MadeOrder {
    code: string;
    kind: OrderKind;
    title: string;
    what: string;
    href: string;
}

/** How many messages there are of a kind. */
export interface MessageKind {
    code: MessageCode;
    label: string;
    count: number;
}

/** One thing the plan has to say. */
export interface MessageRow {
    code: MessageCode;
    text: string;
    item: string;
    site: string;
    from: string | null;
    to: string | null;
    href: string | null;
}

/** A message to work through. `applies` says what applying it would do, null where nothing can be done at once. */
export interface MessageTask {
    n: number;
    code: MessageCode;
    kind: string;
    text: string;
    item: string;
    name: string;
    site: string;
    from: string | null;
    to: string | null;
    riskLines: number;
    riskValue: string;
    href: string | null;
    applies: string | null;
    state: string | null;
    until: string | null;
    reason: string;
    by: string;
    identity: string;
    facts: string;
}

/** Messages from a place of their list on, and how many there are in all. */
export interface MessageTasks {
    rows: MessageTask[];
    total: number;
}

/** What the plan has to say, to be worked through. */
export interface MessagesPage {
    run: number | null;
    live: boolean;
    kinds: MessageKind[];
    tasks: MessageTask[];
    total: number;
    away: number;
    filter: { kind: MessageCode | ''; q: string; show: 'open' | 'away'; sort: string };
}

/** Material that someone misses on an order until a day; ISO date. */
export interface MissingRow {
    id: number;
    order: string;
    line: string;
    item: string;
    name: string;
    until: string;
    note: string;
    by: string;
    at: string;
}

/** A movement of stock. */
export interface MovementRow {
    id: number;
    kind: PostingKind;
    item: string;
    name: string;
    site: string;
    qty: string;
    unit: string;
    decimals: number;
    document: Link | null;
    reason: string;
    day: string;
    by: string;
    isBlocked: boolean;
    isBelowZero: boolean;
    counterOf: number | null;
    isCountered: boolean;
}

/** A page of the ledger. */
export interface MovementRows {
    rows: MovementRow[];
    count: number;
    more: boolean;
}

/** The ledger. */
export interface MovementsPage {
    list: MovementRows;
    filter: Record<string, string>;
    blocked: BlockedStock[];
    may: boolean;
}

/** A line of an order of which something is still to come. */
export interface OpenLine {
    code: string;
    qty: string;
    received: string;
    due: string;
}

/** An order with its lines. */
export interface OrderDetail {
    code: string;
    kind: OrderKind;
    status: OrderState;
    site: string;
    siteName: string;
    supplier: string | null;
    currency: string;
    total: string | null;
    createdBy: string | null;
    createdAt: string | null;
    lines: OrderLineRow[];
    purchase: PurchaseDetail | null;
}

/** A line of an order. */
export interface OrderLineRow {
    reference: string;
    code: string;
    item: string;
    name: string;
    unit: string;
    decimals: number;
    qty: string;
    received: string;
    open: string;
    from: string | null;
    start: string | null;
    due: string;
    expected: string | null;
    price: string | null;
    pinned: boolean;
    priority: number;
    source: string | null;
    messages: MessageRow[];
    serves: ExplanationPeg[];
    waiting: WaitingNeed[];
    components: ComponentRow[];
    held: boolean;
    notBefore: string | null;
    finishBy: string | null;
    operations: ThreadOperation[];
    confirmedQty: string | null;
    confirmedDue: string | null;
    confirmedHow: string | null;
    took: PlannedAndReal | null;
}

/** Orders from a place of their list on, and how many there are, and are overdue, in all. */
export interface OrderList {
    rows: OrderRow[];
    total: number;
    late: number;
}

/** An order. */
export interface OrderPage {
    order: OrderDetail;
}

/** An order in the list. */
export interface OrderRow {
    reference: string;
    code: string;
    kind: OrderKind;
    status: OrderState;
    site: string;
    supplier: string | null;
    what: string;
    lines: number;
    qty: string | null;
    unit: string;
    due: string;
    daysLate: number;
    message: MessageCode | null;
    made: string | null;
    held: boolean;
    notBefore: string | null;
    finishBy: string | null;
    stage: PurchaseStage | null;
    version: number;
    group: string;
    open: OpenLine[];
}

/** An order that picked proposals would become. */
export interface OrderToMake {
    kind: OrderKind;
    title: string;
    lines: string[];
    value: string | null;
    currency: string;
}

/** What a supplier was told of an order, or is to be told. */
export interface OrderVersionRow {
    number: number;
    madeAt: string;
    sentAt: string | null;
    by: string;
    letter: string | null;
    letterId: number | null;
    pdf: string;
}

/** The orders. */
export interface OrdersPage {
    orders: OrderRow[];
    filter: {
        kind: OrderKind | '';
        status: OrderState | 'open' | 'all' | 'request' | 'unconfirmed';
        q: string;
        said: string;
        late: string;
        by: string;
        sort: string;
    };
    total: number;
    late: number;
    views: SavedView[];
}

/** A line of a structure in its place under the item that is made of it. */
export interface OutlineLine {
    id: number;
    parent: number;
    level: number;
    identity: string[];
    values: Record<string, string | number | boolean | null>;
    item: string;
    component: string;
    name: string;
    unit: string;
    qty: string;
    isPhantom: boolean;
    isRetired: boolean;
    hasLines: boolean;
    isDrafted: boolean;
}

/** What was forecast of an item in a period, what orders want then, what is left to plan, and what is there at its end. */
export interface OutlookPeriod {
    start: string;
    hasPassed: boolean;
    forecast: string;
    ordered: string;
    left: string;
    balance: string | null;
}

/**
 * A need in the pegging list, down to what serves it or up to whom it is for. Dates are ISO dates; `holdUp` marks the chain that decides
 * the date.
 */
export interface PegRow {
    level: number;
    item: string;
    site: string;
    name: string;
    what: Link;
    qty: string;
    unit: string;
    needed: string | null;
    expected: string | null;
    lateDays: number;
    strip: Strip | null;
    servedBy: Link[];
    holdUp: boolean;
    repeated: boolean;
}

/** What serves a need, or whom an order serves, as a list. */
export interface PeggingPage {
    title: string;
    about: string;
    holdUp: string | null;
    lateDays: number;
    back: string;
    ways: PegWay[];
    rows: PegRow[];
    most: number;
    filter: { of: string; way: PegWay; rows: string };
}

/** Who signs in, and as what. */
export interface PeoplePage {
    people: PersonRow[];
    roles: string[];
}

/** What was done with a person's way in. */
export interface PersonKept {
    message: string;
    password: string | null;
}

/** Somebody who signs in, or did. */
export interface PersonRow {
    email: string;
    name: string;
    role: string;
    retiredAt: string | null;
    seenAt: string | null;
    isOneself: boolean;
}

/** A plan that can be compared; `at` is an instant, null where it has not been planned. */
export interface PlanChoice {
    value: string;
    label: string;
    at: string | null;
}

/** Every planning point over the periods; periods begin on ISO dates. */
export interface PlanPage {
    planned: boolean;
    periods: string[];
    rows: GridRow[];
    total: number;
    inTrouble: number;
    points: number;
    suppliers: CodeAndName[];
    filter: {
        q: string;
        supply: string;
        supplier: string;
        trouble: string;
        sort: string;
        bucket: BucketSize;
        as: 'expected' | 'needed';
        show: GridFigure;
    };
}

/** What a production order was to take, and what it took so far. */
export interface PlannedAndReal {
    material: string;
    issued: string;
    minutes: string | null;
    reported: number;
    scrap: string;
}

/** An item at a site as the inspector and its page show it. */
export interface PointDetail {
    reference: string;
    item: string;
    site: string;
    siteName: string;
    name: string;
    unit: string;
    decimals: number;
    level: number;
    supply: OrderKind;
    facts: LabelledValue[];
    flow: FlowRow[];
    record: RecordRow[];
    below: StructureRow[];
    above: StructureRow[];
    planning: LabelledValue[];
    messages: MessageRow[];
    safety: string;
    history: StockDay[];
    stock: string;
    blocked: string;
    owed: string;
}

/** What can be complete on a day, as decimals: by ordering what is missing, and from stock and open orders alone. */
export interface PossibleQuantity {
    any: string;
    stock: string;
}

/** What was posted, in words, and the commit that can be undone. */
export interface Posted {
    message: string;
    commit: number;
}

/** What one costs from a quantity on. Both decimals. */
export interface PriceFrom {
    from: string;
    price: string;
}

/** A sales line that is served later for a promise, or less of it. */
export interface PromiseHitRow {
    reference: string;
    label: string;
    customer: string;
    item: string;
    unit: string;
    before: string | null;
    after: string | null;
    days: number;
    missing: string;
    href: string;
}

/** Promises to customers: what is asked, and what is held. */
export interface PromisePage {
    subject: PromiseSubject | null;
    held: PromiseSubject[];
    allHeld: number;
    item: Subject | null;
    planned: boolean;
    may: boolean;
}

/** When what a customer asks for can be promised. */
export interface PromiseReply {
    items: PromisedItem[];
    together: boolean;
    day: string | null;
    decidedBy: string | null;
    hits: PromiseHitRow[];
    from: string;
}

/** What serves a promise, and since when it is there. */
export interface PromiseSource {
    kind: SupplyKind;
    label: string;
    qty: string;
    start: string | null;
    day: string;
    href: string | null;
}

/** A sales line for which another date is asked, or one that is held for a customer. */
export interface PromiseSubject {
    reference: string;
    label: string;
    customer: string;
    item: string;
    name: string;
    site: string;
    unit: string;
    decimals: number;
    qty: string;
    due: string;
    until: string | null;
    lapsed: boolean;
}

/** When so much of an item can be promised. */
export interface PromisedItem {
    of: string;
    item: string;
    name: string;
    site: string;
    unit: string;
    decimals: number;
    qty: string;
    earliest: string | null;
    onDate: string;
    split: PromisedPart[];
    decidedBy: string | null;
    strip: Strip | null;
    sources: PromiseSource[];
}

/** So much by a day. */
export interface PromisedPart {
    qty: string;
    day: string;
}

/** A proposal in the inspector. */
export interface ProposalDetail {
    row: ProposalRow;
    answer: Explanation;
    ways: WayChoice[];
    messages: MessageRow[];
    need: string | null;
    givenBack: string | null;
    putOff: string | null;
    isResting: boolean;
}

/** Proposals under one heading: those at hand, and the number and value of all of them. */
export interface ProposalGroup {
    key: string;
    title: string;
    note: string;
    value: string | null;
    currency: string;
    count: number;
    rows: ProposalRow[];
}

/** A proposal in the list. Dates are ISO dates; `due` is the date the order would take, `restsUntil` when what was put off comes back. */
export interface ProposalRow {
    reference: string;
    number: number;
    kind: OrderKind;
    item: string;
    site: string;
    name: string;
    unit: string;
    decimals: number;
    qty: string;
    start: string;
    wanted: string;
    due: string;
    expected: string;
    supplier: string | null;
    supplierName: string | null;
    fromSite: string | null;
    daysToStart: number;
    waitsFor: string | null;
    causes: CauseStrip;
    purpose: string;
    value: string | null;
    currency: string;
    restsUntil: string | null;
    restsWhy: string;
}

/** Proposals from a place of their list on, under headings that count all of theirs; and how many there are in all. */
export interface ProposalRows {
    groups: ProposalGroup[];
    total: number;
}

/** What the plan proposes to order. `until` is the last day of the window, an ISO date; null without an end. */
export interface ProposalsPage {
    run: number | null;
    groups: ProposalGroup[];
    total: number;
    shown: number;
    passed: number;
    today: number;
    resting: number;
    until: string | null;
    filter: {
        by: 'supplier' | 'item' | 'date';
        until: 'today' | 'week' | 'fortnight' | 'all';
        q: string;
        open: string;
        sort: string;
        rest: '' | '1';
    };
    views: SavedView[];
}

/** What a purchase is beside its lines. */
export interface PurchaseDetail {
    stage: PurchaseStage;
    version: number;
    mail: string;
    text: string;
    asked: string | null;
    isNews: boolean;
    versions: OrderVersionRow[];
}

/** One bucket of a point's record, quantities as text. */
export interface RecordRow {
    start: string;
    sales: string;
    forecast: string;
    parts: string;
    out: string;
    needed: string;
    receipts: string;
    proposals: string;
    toStart: string;
    balance: string;
    mark: BalanceMark;
}

/** One way out of a shortage and what it does; changes are the JSON of what would be drafted. */
export interface RemedyRow {
    kind: RemedyKind;
    title: string;
    note: string;
    solves: boolean;
    expected: string | null;
    figures: DraftFigure[];
    hurt: string[];
    moreLate: number;
    changes: string;
    letter: string;
    room: string | null;
}

/** What purchasing is asked for. */
export interface RequestRow {
    code: string;
    reference: string;
    item: string;
    name: string;
    site: string;
    qty: string;
    unit: string;
    decimals: number;
    supplierCode: string | null;
    supplier: string | null;
    currency: string;
    price: string | null;
    value: string | null;
    due: string;
    orderBy: string | null;
    daysPassed: number;
    for: Link[];
    forCount: number;
    forKey: string;
    lateLines: number;
    note: string;
    by: string;
    at: string;
    offers: SupplierOffer[];
    open: LabelledValue[];
}

/** Requests as far as they are shown. */
export interface RequestRows {
    rows: RequestRow[];
    total: number;
}

/** What purchasing is asked for. */
export interface RequestsPage {
    list: RequestRows;
    filter: Record<string, string>;
    may: boolean;
    back: GivenBack[];
}

/**
 * What is held for whom: orders with their needs, or each hold. `matching` are those that the filter leaves, of which no more than a list
 * can show are sent; `orders` and `holds` count all of the site.
 */
export interface ReservationList {
    rows: HeldOrder[];
    held: HeldRow[];
    matching: number;
    orders: number;
    holds: number;
}

/**
 * What supply is held for whom. `matching` are those that fit the filter, of which the first are sent; the others count all of the site.
 */
export interface ReservationsPage {
    filter: { view: 'held' | 'orders'; status: HoldStatus | ''; q: string; there: string };
    orders: HeldOrder[];
    held: HeldRow[];
    matching: number;
    allOrders: number;
    allHolds: number;
    views: SavedView[];
}

/** A need of a list with the remedy that is proposed, or the one before after which it needs none; `inTime` where it needed none. */
export interface ResolvedNeed {
    identity: string;
    item: string;
    remedy: RemedyRow | null;
    solvedBy: string | null;
    inTime: boolean;
}

/** A remedy for each need of a list, one on top of the other. */
export interface ResolvedNeeds {
    proposals: ResolvedNeed[];
}

/** All that can be chosen for a run. */
export interface RunChoices {
    horizonEnd: string | null;
    bucket: BucketSize;
    demand: ('sales' | 'forecast')[];
    supply: ('stock' | 'purchase' | 'production' | 'transfer')[];
    forecasts: string[];
    consume: boolean;
    consumeBackDays: number;
    consumeForwardDays: number;
    spread: boolean;
    sites: string[] | null;
    soldOnly: boolean;
    families: string[];
    items: string[];
    calendars: boolean;
    pegByPriority: boolean;
    safetyStock: boolean;
    bringInDays: number;
    pushOutDays: number;
    schedule: boolean;
    scheduleDays: number;
}

/** A run and how far it is. */
export interface RunState {
    id: number;
    status: RunStatus;
    stage: RunStage | null;
    trouble: string | null;
    figures: TodayFigure[];
}

/** A sales line with its cover. */
export interface SalesRow {
    reference: string;
    order: string;
    line: string;
    customer: string;
    item: string;
    name: string;
    site: string;
    unit: string;
    decimals: number;
    open: string;
    shipped: string;
    due: string;
    priority: number;
    expected: string | null;
    lateDays: number;
    reason: string | null;
    strip: Strip | null;
    heldUntil: string | null;
    answered: string | null;
    group: string;
}

/** Sales lines from a place of their list on, and how many there are, and are late, in all. */
export interface SalesRows {
    rows: SalesRow[];
    total: number;
    late: number;
}

/** What a new sales line begins with. */
export interface SalesStart {
    order: string;
    line: string;
    customers: string[];
}

/** A study that was saved, and the run that plans it if it was to be planned. */
export interface SavedStudy {
    id: number;
    run: number | null;
}

/** A filter that a person keeps by name. */
export interface SavedView {
    name: string;
    query: string;
}

/** What the form of a schedule begins with: what was asked for last. */
export interface ScheduleAsked {
    rule: ScheduleRule;
    direction: ScheduleDirection;
    aim: ScheduleAim;
    steps: number;
    seconds: number;
    frozenDays: number;
    proposalsDays: number;
    setupWindow: number;
    centres: string[] | null;
    orders: string[] | null;
}

/** Schedules the shop, and shows what came of the last time. */
export interface SchedulePage {
    planned: boolean;
    asked: ScheduleAsked;
    centres: CodeAndName[];
    state: ScheduleState | null;
    standing: boolean;
}

/** The shop as it stands and as a schedule would have it. */
export interface ScheduleSides {
    figures: DraftFigure[];
    totals: DraftFigure[];
    lines: ArrivalChangeRow[];
    lineCount: number;
    orders: ScheduledRow[];
    orderCount: number;
    notes: string[];
    kept: number;
}

/** A schedule that was asked for: how far it is, or what came of it. */
export interface ScheduleState {
    id: number;
    status: ScheduleStatus;
    stage: ScheduleStage | null;
    asked: string[];
    by: string;
    steps: number;
    wanted: number;
    best: string | null;
    trouble: string | null;
    finishedAt: string | null;
    commit: number | null;
    sides: ScheduleSides | null;
}

/** An order or proposal before and after a schedule; instants as `YYYY-MM-DD HH:MM`, null where it was not in the shop. */
export interface ScheduledRow {
    reference: string;
    label: string | null;
    href: string;
    item: string;
    name: string;
    qty: string;
    unit: string;
    due: string;
    startBefore: string | null;
    endBefore: string | null;
    startAfter: string;
    endAfter: string;
    lateBefore: number;
    lateAfter: number;
    shift: number;
    moved: number;
    operations: number;
    why: string | null;
}

/** An address that is told once. */
export interface SecretAddress {
    address: string;
    message: string;
}

/** Where a person is signed in. */
export interface SessionRow {
    where: string;
    with: string;
    at: string;
    isThis: boolean;
}

/** What every page knows of the person, the site and the plan that is shown: each method is a prop, computed where a page asks for it. */
export interface Shared {
    user: { name: string; role: string; can: string[] };
    sites: CodeAndName[];
    site: string;
    plan: {
        id: number | null;
        finishedAt: string | null;
        changes: number;
        planDate: string;
        madeFor: string | null;
        running: number | null;
        study: { id: number; name: string } | null;
        countsUnsent: boolean;
        leavesOut: string | null;
    };
    changes: ChangeRow[];
    touched: string[];
    studies: { id: number; name: string; planned: boolean }[];
    countedForecasts: string[];
    forecastNames: string[];
    draft: { lines: number; version: number; others: string[] };
    counts: { proposals: number; messages: number };
}

/**
 * The needs of a day of the window, or of a week where it is long; ISO dates, counts by state. What was needed before stands on the first.
 */
export interface ShortageDay {
    from: string;
    to: string;
    waiting: number;
    passed: number;
    orderNow: number;
    covered: number;
}

/** A heading of the list of shortages, with all that stands under it, also what is not on the page. */
export interface ShortageGroup {
    key: string;
    label: string;
    note: string;
    rows: number;
}

/** A page of the needs that were asked for, over the days on which they bite. */
export interface ShortageList {
    rows: ShortageRow[];
    groups: ShortageGroup[];
    total: number;
    needs: number;
    components: number;
    orders: number;
    days: ShortageDay[];
    opened: ShortageRow | null;
}

/** A need of the window and how it is covered. Quantities are decimals as text, dates are ISO dates. */
export interface ShortageRow {
    identity: string;
    state: NeedState;
    item: string;
    name: string;
    site: string;
    unit: string;
    qty: string;
    short: string;
    consumer: Link;
    consumerDue: string | null;
    date: string;
    orderBy: string | null;
    daysPast: number;
    expected: string | null;
    lateDays: number;
    strip: Strip;
    hits: string[];
    lines: string[];
    served: string;
    reference: string;
    subject: string | null;
    because: string;
    group: string;
    accepted: string | null;
}

/** The shortages of a window; the rows are planned with the person's draft and come after the page. */
export interface ShortagesPage {
    filter: { days: string; from: string; to: string; by: 'day' | 'component' | 'order' | 'customer'; state: NeedState | ''; q: string };
    planned: boolean;
    open: string;
    views: SavedView[];
}

/** The way in, with the accounts of the demo where this is one. */
export interface SignInPage {
    demo: { name: string; email: string; role: string; password: string }[];
}

/** What stock really was at the end of a day. */
export interface StockDay {
    date: string;
    stock: string;
}

/** How a need is covered. Shares are parts of 1000; quantities are decimals as text. */
export interface Strip {
    parts: StripPart[];
    complete: string | null;
    tooLate: boolean;
    unit: string;
}

/** One stretch of a cover strip: stock, order, proposal, late or nothing. */
export interface StripPart {
    kind: CoverKind;
    share: number;
    qty: string;
}

/** What an item is made of, with what the draft has changed of it, and what it goes into. */
export interface StructureOutline {
    item: string;
    name: string;
    lines: OutlineLine[];
    usedIn: DataEdited[];
    isCut: boolean;
}

/** The structure of an item, to be changed. */
export interface StructurePage {
    outline: StructureOutline;
    kind: DataKind;
}

/** A line of a structure, up or down. */
export interface StructureRow {
    item: string;
    site: string;
    name: string;
    level: number;
    qty: string;
    unit: string;
    note: string;
}

/** Two structures side by side. */
export interface StructuresPage {
    filter: { first: string; second: string; down: '' | '1'; differ: '' | '1' };
    names: string[];
    rows: ContentRow[];
    same: number;
    costs: string[];
    currency: string;
}

/** The studies, and the runs that they can be compared with. */
export interface StudiesPage {
    rows: StudyRow[];
    calendars: string[];
    open: string;
}

/** A change as a sentence, and its fields as JSON. */
export interface StudyChange {
    text: string;
    fields: string;
}

/** A study, what it changes and what came of it. `parameters` are those as sentences. */
export interface StudyRow {
    id: number;
    name: string;
    by: string;
    mine: boolean;
    version: number;
    parameters: string[];
    changes: StudyChange[];
    settings: StudySettings;
    status: RunStatus | null;
    trouble: string | null;
    plannedAt: string | null;
    stale: boolean;
    planned: boolean;
    figures: TodayFigure[];
}

/** What of the parameters of a study differs from the live plan; null where it does not. */
export interface StudySettings {
    horizonEnd: string | null;
    forecasts: string[] | null;
    sites: string[] | null;
    safetyStock: boolean | null;
}

/** What availability can be asked of: an open order, a sales line, an item at a site. `of` is its reference. */
export interface Subject {
    of: string;
    label: string;
    note: string;
    item: string | null;
    site: string | null;
    unit: string | null;
    decimals: number | null;
}

/** What may stand for a component in an order; the ratio is how much of it stands for one of the component, a decimal as text. */
export interface SubstituteChoice {
    item: string;
    name: string;
    ratio: string;
}

/** Who sells an item, and for how much. */
export interface SupplierOffer {
    code: string;
    name: string;
    currency: string;
    lead: number | null;
    punctual: string | null;
    price: string | null;
    breaks: PriceFrom[];
}

/** The supply in which a delay begins; ISO date. */
export interface ThreadBeginning {
    reference: string;
    name: string;
    item: string;
    due: string;
    href: string | null;
    isOrder: boolean;
}

/** An operation of an order or proposal where the shop has it; instants as `YYYY-MM-DD HH:MM`. */
export interface ThreadOperation {
    op: number;
    centre: string;
    units: string;
    start: string;
    end: string;
    waited: number;
}

/** Another sales line whose delay begins in the same supply. */
export interface ThreadOther {
    line: Link;
    days: number;
}

/** The way of a demand on a time axis; ISO dates. */
export interface ThreadPage {
    title: string;
    about: string;
    back: string;
    ways: PegWay[];
    rows: ThreadRow[];
    most: number;
    filter: { of: string; way: PegWay; rows: string };
    lateDays: number;
    planDate: string;
    due: string | null;
    expected: string | null;
    closed: string[];
    holdUp: string | null;
    steps: ThreadStep[];
    beginning: ThreadBeginning | null;
    others: ThreadOther[];
}

/**
 * A supply on the time axis of a thread, below what it serves. `kind` is line, stock, order, proposal or gap; `way` is make, buy, transfer
 * or empty. Dates are ISO dates; `wanted` is when what it serves needs it.
 */
export interface ThreadRow {
    id: number;
    parent: number;
    level: number;
    kind: ThreadKind;
    way: string;
    label: string;
    note: string;
    item: string;
    site: string;
    qty: string;
    unit: string;
    from: string | null;
    to: string;
    wanted: string | null;
    lateDays: number;
    holdUp: boolean;
    repeated: boolean;
    href: string | null;
    reference: string | null;
    need: number | null;
    operations: ThreadOperation[];
}

/** A step of the chain that decides a date. `days` are those that it adds. */
export interface ThreadStep {
    label: string;
    to: string;
    days: number;
    late: boolean;
}

/** When a line would be there without what holds it up: ISO date or null, days late, days to spare, and what would come next. */
export interface ThreadWithout {
    expected: string | null;
    lateDays: number;
    spare: number;
    why: string;
}

/** What starts, arrives and leaves on a working day, and how much of it has trouble. */
export interface TodayDay {
    day: string;
    start: number;
    startTrouble: number;
    arrive: number;
    arriveTrouble: number;
    leave: number;
    leaveTrouble: number;
}

/** A figure against that of the plan before. */
export interface TodayFigure {
    name: string;
    label: string;
    value: string;
    change: string | null;
    worse: boolean;
}

/** Something that needs the planner. `icon` names what it is; `tone` is broken, look or calm. */
export interface TodayLine {
    icon: string;
    tone: Tone;
    title: string;
    emphasis: string;
    note: string;
    strip: Strip | null;
    action: Link;
}

/** What needs the planner today. */
export interface TodayPage {
    planned: boolean;
    lines: TodayLine[];
    days: TodayDay[];
    figures: TodayFigure[];
    reasons: LabelledValue[];
    totals: { salesLines: number; points: number; horizonEnd: string } | null;
    missing: MissingRow[];
    demo: boolean;
    daily: DailyRun | null;
    steps: FirstStep[];
    mayLoadDemo: boolean;
}

/** Something was done; what is said about it. */
export interface Told {
    message: string;
}

/** Why a page cannot be shown. */
export interface TroublePage {
    status: number;
}

/** A need that waits for what an order brings, and to which it can go straight. */
export interface WaitingNeed {
    reference: string;
    label: string;
    qty: string;
}

/** A way in which what is proposed could be got: made, bought of a supplier, moved from a site. */
export interface WayChoice {
    way: string;
    kind: OrderKind;
    supplier: string | null;
    name: string;
    lead: number;
    price: string | null;
    currency: string;
    possible: string;
    late: number;
    minQty: string | null;
    multiple: string | null;
    value: string | null;
    breaks: PriceFrom[];
    punctual: string | null;
}

/** Why a figure of the plan is another than in the plan before; the shares add up to the difference. */
export interface WhyAnswer {
    before: string;
    after: string;
    causes: WhyCause[];
}

/** Something that made a figure another one. */
export interface WhyCause {
    text: string;
    by: string;
    at: string | null;
    share: string;
    worse: boolean;
}

/** Something that was written between two plans, and what it did to their figures. */
export interface WhyChange {
    text: string;
    by: string;
    at: string | null;
    shares: WhyShare[];
}

/** What made a plan another than the one before; the shares of each figure add up to its difference. */
export interface WhyChanges {
    causes: WhyChange[];
}

/** So much of a figure's difference, with its sign. */
export interface WhyShare {
    figure: string;
    share: string;
    worse: boolean;
    better: boolean;
}

/** What runs next at a work centre, in sequence. */
export interface WorkList {
    centre: string;
    name: string;
    units: number;
    rows: WorkRow[];
    count: number;
}

/** The work list of a centre; what stands in it comes after the page has. */
export interface WorkListPage {
    centres: { code: string; name: string; site: string }[];
    centre: string;
    planned: boolean;
}

/** A component of an order on a work list, by its line. */
export interface WorkPart {
    line: string;
    item: string;
    name: string;
}

/** An operation of a work list. */
export interface WorkRow {
    of: string;
    code: string | null;
    label: string;
    op: number;
    units: string;
    start: number;
    end: number;
    item: string;
    name: string;
    unit: string;
    decimals: number;
    qty: string;
    done: string;
    setupFrom: string;
    setupTo: string;
    setup: number;
    until: string | null;
    missing: string[];
    parts: WorkPart[];
    remarks: string[];
    way: string;
    late: number;
}
