<?php

declare(strict_types=1);

/* What an examination of the database has found. */
return [
    'below_zero' => 'Stock of :item at :site is below zero, or owed and there at once.',
    'blocked' => 'Blocked stock of :item at :site is :stock, but its movements come to :booked.',
    'counter' => 'Movement :number takes back :of, but not as much of the same.',
    'done_but_open' => 'Order :order is done though not all of it has come.',
    'held' => 'Of :supply :held is held, but there is only :there.',
    'issued' => ':name: :kept issued, but :booked is booked.',
    'message' => 'The plan speaks of order :order, which is not there.',
    'plan' => 'The plan has :stored proposals, and the data make :anew now; the first other one: :first.',
    'received' => 'Order :name: :kept received, but :booked is booked.',
    'received_too_much' => 'Order :order has received more than it orders.',
    'sent_what' => 'Order :order was sent, but nothing says what was sent.',
    'shipped' => 'Sales line :name: :kept shipped, but :booked is booked.',
    'stock' => 'Stock of :item at :site is :stock, but its movements come to :booked.',
    'twice' => 'Proposal :number of run :run was ordered twice.',
];
