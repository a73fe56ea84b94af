<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Schedules that were asked for, where kept ones have what is no order yet, and where the operations of a planned run stand and how full
 * its work centres are. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('schedules', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('status', 10);
            $table->string('stage', 20)->nullable();
            $table->json('options');
            $table->unsignedInteger('steps')->default(0);
            $table->unsignedBigInteger('best')->nullable();
            $table->string('stop', 10)->nullable();
            $table->string('worker')->nullable();
            $table->text('trouble')->nullable();
            $table->json('summary')->nullable();
            $table->longText('changes')->nullable();
            $table->longText('seen')->nullable();
            $table->unsignedBigInteger('commit_id')->nullable();
            $table->timestamp('finished_at')->nullable();
            $table->timestamps();
            $table->index('status');
        });
        Schema::create('proposal_operations', function (Blueprint $table): void {
            $table->id();
            $table->string('item_code');
            $table->string('site_code');
            $table->date('due');
            $table->integer('number');
            $table->integer('op');
            $table->string('work_centre_code');
            $table->string('units');
            $table->string('start_instant', 16);
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('site_code')->references('code')->on('sites');
            $table->foreign('work_centre_code')->references('code')->on('work_centres');
        });
        Schema::create('plan_loads', function (Blueprint $table): void {
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->string('work_centre_code');
            $table->date('week');
            $table->unsignedBigInteger('capacity');
            $table->unsignedBigInteger('load');
            $table->unsignedBigInteger('sales');
            $table->unsignedBigInteger('forecast');
            $table->primary(['run_id', 'work_centre_code', 'week']);
        });
        Schema::create('plan_operations', function (Blueprint $table): void {
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('supply');
            $table->integer('op');
            $table->string('work_centre_code');
            $table->string('units');
            $table->string('ready_instant', 16);
            $table->string('start_instant', 16);
            $table->string('end_instant', 16);
            $table->unsignedInteger('minutes');
            $table->primary(['run_id', 'supply', 'op']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('plan_operations');
        Schema::dropIfExists('plan_loads');
        Schema::dropIfExists('proposal_operations');
        Schema::dropIfExists('schedules');
    }
};
