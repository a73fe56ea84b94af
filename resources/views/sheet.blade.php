@extends('paper')

@section('title'){{ trans('Order sheet :code', ['code' => $sheets[0]->list->code]) }}@endsection

@section('body')
    @foreach ($sheets as $sheet)
        <div class="{{ $loop->first ? '' : 'next' }}">
            <table class="head">
                <tr>
                    <td>
                        <h1>{{ trans('Order sheet :code', ['code' => $sheet->list->code]) }}</h1>
                        <p>{{ App\Support\Words::quantity($sheet->list->qty, $sheet->list->unit) }} <span class="b">{{ $sheet->list->item }}</span> {{ $sheet->list->name }}, {{ $sheet->list->site }},
                            {{ trans('due :day', ['day' => App\Support\Words::day(Yposta\Core\Calendar\Day::parse($sheet->list->due), $planDate)]) }}</p>
                    </td>
                    <td class="r">
                        @if (App\Documents\Code128::can($sheet->list->code))
                            <img src="{{ App\Documents\Code128::picture($sheet->list->code, 30) }}" style="height: 34px" alt="">
                        @endif
                    </td>
                </tr>
            </table>
            @if ($sheet->steps !== [])
                <table class="lines">
                    <thead>
                        <tr>
                            <th>{{ trans('Operation') }}</th><th>{{ trans('Work centre') }}</th><th class="r">{{ trans('Set-up, min') }}</th>
                            <th class="r">{{ trans('Each, min') }}</th><th>{{ trans('When') }}</th><th class="r">{{ trans('Done') }}</th>
                            <th class="r">{{ trans('Scrap') }}</th><th class="r">{{ trans('Minutes') }}</th><th>{{ trans('Name') }}</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($sheet->steps as $step)
                            <tr>
                                <td class="b">{{ $step->op }}</td>
                                <td><span class="b">{{ $step->centre }}</span> {{ $step->name }}</td>
                                <td class="r">{{ Yposta\Core\Quantity\Quantity::format($step->setup) }}</td>
                                <td class="r">{{ Yposta\Core\Quantity\Quantity::format($step->run) }}</td>
                                <td>{{ $step->start === null ? '' : App\Support\Words::day(Yposta\Core\Calendar\Day::parse(substr($step->start, 0, 10)), $planDate).' '.substr($step->start, 11) }}</td>
                                <td class="r">{{ $step->done > 0 ? Yposta\Core\Quantity\Quantity::format($step->done) : '______' }}</td>
                                <td class="r">______</td><td class="r">______</td><td>__________</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
            <h1 style="font-size: 13px; margin-top: 16px">{{ trans('Components') }}</h1>
            <table class="lines">
                <thead><tr><th></th><th>{{ trans('Item') }}</th><th class="r">{{ trans('Needed') }}</th><th class="r">{{ trans('Issued') }}</th></tr></thead>
                <tbody>
                    @foreach ($sheet->list->parts as $part)
                        <tr>
                            <td>@if ($part->open > 0)<div class="box"></div>@else ✓ @endif</td>
                            <td><span class="b">{{ $part->item }}</span> {{ $part->name }}</td>
                            <td class="r b">{{ App\Support\Words::quantity($part->qty, $part->unit) }}</td>
                            <td class="r">{{ $part->issued > 0 ? App\Support\Words::quantity($part->issued, $part->unit) : '' }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
    @endforeach
@endsection
