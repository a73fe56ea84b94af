<?php

declare(strict_types=1);

/* What could be done about a shortage: a title that says it, a note that says what it takes. */
return [
    'move_order' => ['title' => 'Move :order to :due', 'note' => 'It waits :days for its material.'],
    'move_line' => ['title' => 'Promise :line for :due', 'note' => 'The customer has to be told: :days later.'],
    'substitute' => ['title' => 'Use :substitute for :qty', 'note' => 'Allowed here in place of :item; :free free on stock.'],
    'pull_in' => ['title' => 'Pull :order in to :due', 'note' => ':days earlier; :supplier has to agree.'],
    'hurry' => ['title' => 'Order :qty now, in a hurry', 'note' => ':supplier has to deliver by :due, :days faster than usual.'],
    'order_now' => ['title' => 'Order :qty now', 'note' => 'As it is proposed, for :due.'],
    'other_supplier' => ['title' => 'Buy :qty from :supplier', 'note' => 'Can be there :due; its lead time is :lead working days.'],
    'buy_instead' => ['title' => 'Buy :qty from :supplier', 'note' => 'Instead of making or moving it; can be there :due.'],
    'take_from' => ['title' => 'Take :qty from :from', 'note' => 'Holds :supply for this need.'],
    'transfer' => ['title' => 'Move :qty here from :site', 'note' => 'Free on stock there; here :due.'],
    'split' => ['title' => 'Split :order: build :qty now', 'note' => 'The rest follows :due, when its material is there.'],
    'urgent' => ['title' => 'Make :order most urgent', 'note' => 'It is served before others that want the same.'],
    'letter' => [
        'pull_in' => 'Dear :supplier, please deliver our order :order by :due, :days earlier than confirmed. Please tell us today whether you can.',
        'hurry' => 'Dear :supplier, we need :qty of :item by :due, which is :days less than your usual lead time. Please tell us today whether you can.',
    ],
];
