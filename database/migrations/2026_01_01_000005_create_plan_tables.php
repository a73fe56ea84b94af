<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a run computed. Rows of a run are numbered from 0 within it, so that they can be written in bulk and refer to each other. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('runs', function (Blueprint $table): void {
            $table->id();
            $table->string('status')->index();
            $table->boolean('current')->default(false)->index();
            $table->string('stage')->nullable();
            $table->json('parameters');
            $table->date('plan_date');
            $table->date('horizon_end');
            $table->string('fingerprint', 64)->nullable();
            $table->unsignedBigInteger('last_change')->default(0);
            $table->json('summary')->nullable();
            $table->text('trouble')->nullable();
            $table->boolean('stored')->default(false);
            $table->foreignId('user_id')->nullable()->constrained();
            $table->timestamp('started_at')->nullable();
            $table->timestamp('finished_at')->nullable();
            $table->timestamps();
        });
        Schema::create('plan_points', function (Blueprint $table): void {
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('n');
            $table->string('item_code');
            $table->string('site_code');
            $table->unsignedSmallInteger('level');
            $table->unsignedInteger('place');
            $table->string('supply');
            $table->string('supplier_code')->nullable();
            $table->json('rules');
            $table->date('trouble_from')->nullable();
            $table->date('short_from')->nullable();
            $table->bigInteger('worst')->default(0);
            $table->primary(['run_id', 'n']);
            $table->index(['run_id', 'item_code', 'site_code']);
            $table->index(['run_id', 'place']);
        });
        Schema::create('plan_supplies', function (Blueprint $table): void {
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('n');
            $table->unsignedInteger('point');
            $table->string('kind', 10);
            $table->string('type', 10)->nullable();
            $table->string('name');
            $table->bigInteger('rank');
            $table->bigInteger('qty');
            $table->date('start');
            $table->date('due');
            $table->date('effective');
            $table->date('available');
            $table->date('earliest');
            $table->unsignedTinyInteger('priority');
            $table->boolean('pinned');
            $table->boolean('released');
            $table->boolean('overdue');
            $table->boolean('brought_in');
            $table->string('supplier_code')->nullable();
            $table->string('from_site_code')->nullable();
            $table->unsignedInteger('waits_for')->nullable();
            $table->json('reason')->nullable();
            $table->unsignedInteger('for_sales')->default(0);
            $table->unsignedInteger('for_forecast')->default(0);
            $table->primary(['run_id', 'n']);
            $table->index(['run_id', 'point']);
            $table->index(['run_id', 'kind', 'start']);
            $table->index(['run_id', 'kind', 'name']);
        });
        Schema::create('plan_demands', function (Blueprint $table): void {
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('n');
            $table->unsignedInteger('point');
            $table->string('kind', 10);
            $table->string('name');
            $table->string('line');
            $table->bigInteger('rank');
            $table->bigInteger('qty');
            $table->date('date')->nullable();
            $table->date('need')->nullable();
            $table->date('original_date')->nullable();
            $table->date('expected')->nullable();
            $table->bigInteger('uncovered');
            $table->unsignedInteger('late_days');
            $table->unsignedTinyInteger('priority');
            $table->unsignedInteger('for_supply')->nullable();
            $table->string('customer');
            $table->string('hold_up')->nullable();
            $table->string('hold_up_reason', 20)->nullable();
            $table->unsignedInteger('hold_up_supply')->nullable();
            $table->primary(['run_id', 'n']);
            $table->index(['run_id', 'point']);
            $table->index(['run_id', 'kind', 'name']);
            $table->index(['run_id', 'for_supply']);
            $table->index(['run_id', 'late_days']);
        });
        Schema::create('plan_pegs', function (Blueprint $table): void {
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('supply');
            $table->unsignedInteger('demand');
            $table->bigInteger('qty');
            $table->primary(['run_id', 'supply', 'demand']);
            $table->index(['run_id', 'demand']);
        });
        Schema::create('plan_messages', function (Blueprint $table): void {
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('n');
            $table->unsignedInteger('point');
            $table->string('code', 20);
            $table->string('reference');
            $table->date('from_date')->nullable();
            $table->date('to_date')->nullable();
            $table->bigInteger('qty');
            $table->text('text');
            $table->primary(['run_id', 'n']);
            $table->index(['run_id', 'code']);
            $table->index(['run_id', 'point']);
            $table->index(['run_id', 'reference']);
        });
        Schema::create('conversions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained();
            $table->unsignedBigInteger('proposal');
            $table->foreignId('order_line_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at');
            $table->unique(['run_id', 'proposal']);
        });
    }

    public function down(): void
    {
        foreach (['conversions', 'plan_messages', 'plan_pegs', 'plan_demands', 'plan_supplies', 'plan_points', 'runs'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
