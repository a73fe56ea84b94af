<?php

declare(strict_types=1);

/* Why something cannot be done, and what was kept. */
return [
    'availability' => [
        'subject' => 'Ask for an order, a sales line or an item.',
    ],
    'bundle' => [
        'data_there' => 'The database holds data already; nothing was changed. Use --replace to put the bundle in its place.',
    ],
    'commit' => [
        'empty' => 'The draft is empty. Nothing was written.',
        'forbidden' => 'this is not yours to write',
        'moved' => ':names has been changed meanwhile',
        'stale' => 'The draft was changed in another window. Nothing was written; look at it again.',
        'unfit' => ':Trouble. Nothing was written.',
    ],
    'convert' => [
        'absurd' => 'Far from what is needed: :lines. Nothing was ordered yet.',
        'absurd_line' => ':item: :qty instead of the proposed :proposed',
        'component_range' => 'A component of :item would be needed in a quantity beyond :most. Nothing was ordered.',
        'converted' => 'Proposal :number was already made into :order by :by. Nothing more was ordered; the list has been refreshed.',
        'date' => 'The date of :item: :trouble. Nothing was ordered.',
        'date_passed' => 'The date of :item has passed. Nothing was ordered.',
        'decimals' => 'The quantity of :item has more decimals than the item, which has :decimals. Nothing was ordered.',
        'delays' => '1 customer line would come later. Nothing was ordered yet.|:count customer lines would come later. Nothing was ordered yet.',
        'forbidden' => 'You may not make :kind, and :item would need one. Nothing was ordered.',
        'kind' => [
            'buy' => 'purchase orders',
            'make' => 'production orders',
            'transfer' => 'transfer orders',
        ],
        'newer_plan' => 'A newer plan has taken the place of the one you saw. Nothing was ordered; look at its proposals and pick again.',
        'no_supplier' => ':item has no supplier. Choose one first; nothing was ordered.',
        'none' => 'No proposal was picked. Nothing was ordered.',
        'quantity' => 'The quantity of :item: :trouble. Nothing was ordered.',
        'quantity_above' => 'The quantity of :item must be above 0. Nothing was ordered.',
        'study' => 'A study never makes orders. Nothing was ordered; go back to the live plan and convert there.',
        'ordered_since' => ':by ordered :item in :order while this plan was made, so it may be covered. Run the plan again; nothing was ordered.',
        'twice' => 'A proposal was picked twice. Nothing was ordered.',
        'unknown' => 'There is no proposal :number in this plan. Nothing was ordered.',
        'unknown_supplier' => 'There is no supplier :supplier. Nothing was ordered.',
    ],
    'draft' => [
        'busy' => 'The draft is being changed in another window. Nothing was added; try again.',
        'change' => ':Trouble. The draft is as it was.',
        'full' => 'A draft takes up to :most lines. Commit or keep it first; nothing was added.',
        'nothing' => 'There is nothing to try. The draft is as it was.',
        'unfit' => ':Trouble. The draft is as it was.',
    ],
    'forecast' => [
        'decimals' => ':item has :decimals decimals, :qty has more. The forecast is as it was.',
        'negative' => 'A forecast cannot be negative. It is as it was.',
        'none' => 'There is no forecast :forecast of :item at :site. Nothing was changed.',
        'stale' => 'Someone else has put :now there meanwhile. Your :typed was not taken; look and type it again.',
        'start' => ':start does not begin a :bucket. The forecast is as it was.',
        'wrong' => ':Trouble. The forecast is as it was.',
    ],
    'hold' => [
        'forbidden' => 'You may not hold supply. Nothing was changed.',
    ],
    'message' => [
        'asks_nothing' => 'This message asks for nothing that could be done at once. Nothing was changed.',
        'forbidden' => 'You may not change this kind of order. Nothing was changed.',
        'gone' => 'This message is not in the plan any more. Nothing was changed.',
        'long_reason' => 'A reason takes up to :most characters. The message stands as it was.',
        'newer_plan' => 'A newer plan has taken the place of the one you saw. Nothing was changed; look at its messages.',
        'order_changed' => ':order has been changed since the plan was made. Nothing was changed; run the plan and look again.',
        'order_over' => 'The order is not open any more. Nothing was changed; run the plan to bring the list up to date.',
        'pinned' => ':order is pinned. Free it first if it really should move; nothing was changed.',
        'reason' => 'Say in a few words why it can sleep; whoever finds it will ask. The message stands as it was.',
        'until' => 'Choose a day after today until which it can sleep. The message stands as it was.',
    ],
    'missing' => [
        'day_passed' => 'The day has passed. Nothing was noted.',
        'dealt_with' => 'This has been dealt with already.',
        'no_component' => ':order has no component :line. Nothing was noted.',
    ],
    'password' => [
        'common' => 'Others have this password too, or it is made of your name. Take one that is your own; nothing was changed.',
        'long' => 'A password takes up to :most letters. Nothing was changed.',
        'same' => 'That is the password you have. Nothing was changed.',
        'short' => 'A password takes at least :least letters. Nothing was changed.',
        'wrong' => 'Your present password is another. Nothing was changed.',
    ],
    'plan' => [
        'broken' => ':Trouble. Nothing can be tried until that is mended.',
        'mended' => ':Trouble. With this draft it can be planned again.',
        'still_broken' => ':Trouble. With this draft too; it can be committed all the same.',
        'none' => 'There is no plan yet. Run one first; there is nothing to try changes on.',
    ],
    'request' => [
        'used' => 'This request was used before for something else. Nothing was changed; reload the page and try again.',
    ],
    'run' => [
        'parameters' => ':Trouble. Nothing was planned; the plan before it stands.',
        'under_way' => 'A run is under way already. Its result will be the live plan when it is complete.',
    ],
    'shortage' => [
        'forbidden' => 'You may not accept a shortage. Nothing was changed.',
    ],
    'study' => [
        'change' => 'Change :number: :trouble. Nothing was kept.',
        'delete_running' => ':study is being planned. Delete it when that is over.',
        'exists' => 'There is a study :study already. Choose another name; nothing was kept.',
        'forbidden' => ':study belongs to :owner. Keep a study of your own; nothing was changed.',
        'full' => 'A study takes up to :most changes. Nothing was kept.',
        'name' => 'A study needs a name of up to :most characters. Nothing was kept.',
        'parameter' => 'A parameter of the study is wrong: :trouble. Nothing was kept.',
        'stale' => 'Someone else has changed :study meanwhile. Yours was not kept; look at it and change it again.',
        'under_way' => ':study is being planned already.',
    ],
    'trial' => [
        'inside' => 'Something went wrong while it was tried; it was written to the log. Nothing was changed.',
        'too_long' => 'This takes longer than one question may, so it was ended. Nothing was changed; ask for less at once.',
        'too_much' => 'This takes more memory than one question may, so it was ended. Nothing was changed; ask for less at once.',
        'unfit' => ':Trouble. Nothing was changed.',
    ],
    'undo' => [
        'done' => 'This was undone already. Nothing was changed.',
        'forbidden' => 'Part of this is not yours to write. Nothing was changed.',
        'moved' => ':names was started, sent or changed since. It can only be undone as a whole, so nothing was changed.',
        'none' => 'There is no such commit. Nothing was changed.',
        'started' => ':order was started or sent. What was committed with it cannot be undone; nothing was changed.',
        'unfit' => ':Trouble. It can only be undone as a whole, so nothing was changed.',
    ],
];
