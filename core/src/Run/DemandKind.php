<?php

declare(strict_types=1);

namespace Yposta\Core\Run;

use Yposta\Core\Reference\ReferenceKind;

/** What needs material: forecast, jobs, transfers out, components, safety stock, sales; this is the order of references. */
enum DemandKind: string
{
    case Forecast = 'forecast';
    case Job = 'job';
    case Out = 'out';
    case Part = 'part';
    case Safety = 'safety';
    case Sales = 'sales';

    private const ROWS = (1 << 15) - 1;

    private const PROPOSALS = (1 << 24) - 1;

    /** Whether somebody has ordered it: a customer, or a job. */
    public function isOrdered(): bool
    {
        return $this === self::Sales || $this === self::Job;
    }

    public function referenceKind(): ReferenceKind
    {
        return ReferenceKind::from($this->value);
    }

    /**
     * The first part of a rank; within transfers and components those of orders come before those of proposals.
     *
     * @param  int  $within  place within the kind, 60 bits
     */
    public function rank(bool $ofProposal, int $within): int
    {
        return (match ($this) {
            self::Forecast => 0,
            self::Job => 1,
            self::Out => $ofProposal ? 3 : 2,
            self::Part => $ofProposal ? 5 : 4,
            self::Safety => 6,
            self::Sales => 7,
        } << 60) | $within;
    }

    /**
     * The place of a proposal's input within its kind: by the proposal's number, then by its line. It does not depend on the numbers
     * themselves, which a change elsewhere moves.
     *
     * @param  int  $place  of the proposal's point in the order of netting
     * @param  int  $seq  of the proposal in its point
     * @param  int  $row  of the line
     */
    public static function inputOf(int $place, int $seq, int $row): int
    {
        return ($place << 39) | (min($seq, self::PROPOSALS) << 15) | min($row, self::ROWS);
    }
}
