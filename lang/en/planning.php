<?php

declare(strict_types=1);

return [
    'message.bring_in' => '{reference}: {qty} of {item} are needed on {to}, not on {from}',
    'message.push_out' => '{reference}: {qty} of {item} are not needed on {from}, only on {to}',
    'message.cancel' => '{reference}: nobody needs {qty} of {item} due {from} within the horizon',
    'message.overdue' => '{reference}: {qty} of {item} were due {from} and are counted for {to}',
    'message.start_passed' => '{qty} of {item} wanted by {from} should have been started already; if started today they are there on {to}',
    'message.frozen' => '{qty} of {item} wanted by {from} fall into the frozen days and are proposed for {to}',
    'message.late_demand' => '{reference}: {qty} of {item} were due {from} and are planned for {to}',
    'message.no_supplier' => '{qty} of {item} for {site} are proposed, but no supplier offers the item',
    'message.no_bom' => '{qty} of {item} are proposed, but no structure line of it is valid on the start date',
    'message.below_safety' => '{item} at {site} is short of what should be on stock from {from} to {to}, by up to {qty}',
    'hold_up.lead_time' => '{item}: lead time {lead}, time left {left} days',
    'hold_up.transfer_time' => '{item}: transfer takes {lead}, time left {left} days',
    'hold_up.overdue' => '{item}: order {order} was due {due} and is not here',
    'hold_up.due_late' => '{item}: order {order} comes {available}',
    'hold_up.frozen' => '{item}: falls into the frozen days, comes {available}',
    'hold_up.no_supply' => '{item}: no supply',
];
