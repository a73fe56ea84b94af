<?php

declare(strict_types=1);

/* What was done, for the journal and for the person who did it. */
return [
    'changes' => ':count changes: :what',
    'committed' => [
        'one' => 'Written: :what.',
        'many' => ':count changes written.',
    ],
    'forecast' => 'Forecast :forecast of :item from :start: :before to :after',
    'held' => ':count holds written.',
    'imported' => 'Bundle :bundle imported: :count items',
    'made' => [
        'buy' => '1 purchase order|:count purchase orders',
        'make' => '1 production order|:count production orders',
        'transfer' => '1 transfer order|:count transfer orders',
        'requests' => '1 request handed to purchasing.|:count requests handed to purchasing.',
        1 => ':First made.',
        2 => ':First and :second made.',
        3 => ':First, :second and :third made.',
    ],
    'missing' => [
        'noted' => ':item missing on :order until :until',
        'noted_why' => ':item missing on :order until :until: :note',
    ],
    'nothing_to_hold' => 'Nothing more is there to be held for these. Nothing was changed.',
    'promise' => [
        'accepted' => 'Promised to :whom: :what',
        'accepted_made' => 'Promised to :whom: :what; 1 order made for it|Promised to :whom: :what; :count orders made for it',
        'dropped' => 'Dropped what was held for :whom',
        'held' => 'Held until :until for :whom: :what',
        'part' => ':qty :item by :day',
    ],
    'purchase' => [
        'accepted' => '1 line as its supplier confirmed it: :what|:count lines as their suppliers confirmed them: :what',
        'added' => ':what added to :order',
        'added_to' => '1 request added to :order.|:count requests added to :order.',
        'bought' => ':order ordered of :what',
        'chased' => '1 letter about what is owed|:count letters about what is owed',
        'confirmed' => '1 line confirmed as asked: :what|:count lines confirmed as asked: :what',
        'confirmed_otherwise' => '1 line confirmed, otherwise than asked: :what|:count lines confirmed, :other of them otherwise than asked: :what',
        'given_back' => '1 request given back: :what (:reason)|:count requests given back: :what (:reason)',
        'sent' => ':order sent to :supplier by mail, version :version',
        'sent_by_hand' => ':order sent to :supplier by hand, version :version',
        'taken_apart' => ':order taken apart into its requests',
    ],
    'put_off' => '1 proposal put off until :until: :what (:reason)|:count proposals put off until :until: :what (:reason)',
    'put_off_of' => ':qty :item',
    'report' => [
        'done' => 'Operation :op of :order at :centre: :qty done',
        'scrap' => '; :qty scrapped, :reason',
        'started' => 'Operation :op of :order at :centre started',
    ],
    'run' => [
        'again' => 'The run was interrupted and begins again.',
        'died' => 'The run stopped without a word, several times; the plan before it stands.',
        'failed' => ':Trouble. The plan before it stands.',
        'inside' => 'something went wrong inside the run; it was written to the log',
        'unfit' => 'a change of the study does not fit any more: :trouble',
    ],
    'schedule' => [
        'died' => 'The schedule stopped without a word; nothing was changed.',
        'inside' => 'Something went wrong inside the schedule; it was written to the log. Nothing was changed.',
        'kept' => 'Schedule kept for 1 order|Schedule kept for :count orders',
    ],
    'sentence' => ':What.',
    'shortage' => [
        'accepted' => 'Shortage :identity accepted: :reason',
        'reopened' => 'Shortage :identity open again',
    ],
    'to_make' => [
        1 => ':First',
        2 => ':First and :second',
        3 => ':First, :second and :third',
    ],
    'stock' => [
        'counted' => ':item at :site counted: :before to :qty',
        'issued' => ':qty of :item issued to :order',
        'received' => ':qty of :item received with :order',
        'received_last' => ':qty of :item received with :order, and no more comes',
        'returned' => ':qty of :item back from :order',
        'reversed' => 'Taken back: :qty of :item, :document',
        'sent' => ':qty of :item sent with :order from :from to :to',
        'shipped' => ':qty of :item shipped on :line to :customer',
    ],
    'undone' => [
        'one' => 'Undone.',
        'many' => ':count changes undone.',
        'what' => 'Undone: :what',
    ],
    'taken_up' => '1 proposal taken up again: :what|:count proposals taken up again: :what',
];
