<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\FoundRelief;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Remedy\LoadReliefs;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Trial\Trial;

/** What would make a work centre do no more than it can, in words. */
final readonly class ReliefView
{
    /** @return iterable<FoundRelief> as they are found */
    public static function of(Trial $trial, ProposalOrigins $origins, string $centre, int $day, BucketSize $size): iterable
    {
        $planDate = $trial->with([], function (Plan $plan) use ($centre): int {
            LoadView::mustHave($plan, $centre);

            return $plan->options->planDate;
        });
        $view = new RemedyView($trial, $planDate, $origins);
        foreach ((new LoadReliefs($trial, $origins))->for($centre, $day, $size) as [$tried, $cell]) {
            yield new FoundRelief($view->row($tried), LoadView::figure([$cell]), array_map(intval(...), $tried->cost()));
        }
    }
}
