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

    /*
     * The host names under which the application may be asked, and the addresses of proxies that may say who asks; commas between them.
     * Without names: the host of APP_URL and the machine itself.
     */
    'hosts' => env('YPOSTA_HOSTS'),
    'proxies' => env('YPOSTA_PROXIES'),

    /*
     * What one question to it may take, and how many are answered beside each other.
     */
    'question_seconds' => (int) env('YPOSTA_QUESTION_SECONDS', 60),
    'question_megabytes' => (int) env('YPOSTA_QUESTION_MEGABYTES', 1024),
    'processes' => (int) env('YPOSTA_PROCESSES', 2),
    'questions_at_once' => (int) env('YPOSTA_QUESTIONS_AT_ONCE', 4),

    /*
     * How large a run may become: the lots that one need may take, and all orders, proposals and needs. About four kilobytes of memory each.
     */
    'lots_per_need' => (int) env('YPOSTA_LOTS_PER_NEED', 10_000),
    'elements_per_run' => (int) env('YPOSTA_ELEMENTS_PER_RUN', 2_000_000),
];
