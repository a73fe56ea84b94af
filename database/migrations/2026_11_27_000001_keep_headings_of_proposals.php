<?php

declare(strict_types=1);

use App\Planning\ProposalHeading;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Yposta\Core\Network\OrderKind;

/** Proposals are counted and summed up under their headings for each page of their list: each way from one index, without the rows. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('plan_supplies', function (Blueprint $table): void {
            $table->string('heading')->nullable();
        });
        $alike = DB::table('plan_supplies as s')->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
            ->where('s.kind', 'proposal')->distinct()->get(['s.run_id', 's.type', 's.supplier_code', 's.from_site_code', 'p.site_code']);
        foreach ($alike as $one) {
            DB::table('plan_supplies')->where('run_id', $one->run_id)->where('kind', 'proposal')->where('type', $one->type)
                ->where('supplier_code', $one->supplier_code)->where('from_site_code', $one->from_site_code)
                ->whereIn('point', DB::table('plan_points')->where('run_id', $one->run_id)->where('site_code', $one->site_code)->select('n'))
                ->update(['heading' => ProposalHeading::of(
                    OrderKind::from($one->type), $one->supplier_code, $one->from_site_code, $one->site_code,
                )->key()]);
        }
        Schema::table('plan_supplies', function (Blueprint $table): void {
            $table->dropIndex(['run_id', 'kind', 'start']);
            $table->dropIndex(['run_id', 'point']);
            $table->index(['run_id', 'kind', 'start', 'cost']);
            $table->index(['run_id', 'point', 'kind', 'start', 'cost']);
            $table->index(['run_id', 'kind', 'heading', 'start', 'cost']);
        });
    }

    public function down(): void
    {
        Schema::table('plan_supplies', function (Blueprint $table): void {
            $table->dropIndex(['run_id', 'kind', 'heading', 'start', 'cost']);
            $table->dropIndex(['run_id', 'point', 'kind', 'start', 'cost']);
            $table->dropIndex(['run_id', 'kind', 'start', 'cost']);
            $table->index(['run_id', 'point']);
            $table->index(['run_id', 'kind', 'start']);
        });
        Schema::table('plan_supplies', fn (Blueprint $table) => $table->dropColumn('heading'));
    }
};
