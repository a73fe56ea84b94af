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

    /*
     * The socket of the process that keeps the plan ready for what people try (`artisan yposta:keep-plan`); without one each request plans for itself.
     */
    'plan_socket' => env('YPOSTA_PLAN_SOCKET'),
];
