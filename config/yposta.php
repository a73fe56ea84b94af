<?php

declare(strict_types=1);

return [
    /*
     * A demo shows its made-up accounts on the sign-in page. Never switch this on where real data is.
     */
    'demo' => (bool) env('YPOSTA_DEMO', false),

    /*
     * How many finished live runs keep their results; older ones keep their summary.
     */
    'kept_runs' => 3,
];
