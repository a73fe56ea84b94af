@extends('paper')

@section('title'){{ trans('Pick list :code', ['code' => $lists[0]->code]) }}@endsection

@section('body')
    @foreach ($lists as $list)
        <div class="{{ $loop->first ? '' : 'next' }}">
            <table class="head">
                <tr>
                    <td>
                        <h1>{{ trans('Pick list :code', ['code' => $list->code]) }}</h1>
                        <p>{{ App\Support\Words::quantity($list->qty, $list->unit) }} <span class="b">{{ $list->item }}</span> {{ $list->name }}, {{ $list->site }},
                            {{ trans('due :day', ['day' => App\Support\Words::day(Yposta\Core\Calendar\Day::parse($list->due), $planDate)]) }}</p>
                    </td>
                    <td class="r">
                        @if (App\Documents\Code128::can($list->code))
                            <img src="{{ App\Documents\Code128::picture($list->code, 30) }}" style="height: 34px" alt="">
                        @endif
                    </td>
                </tr>
            </table>
            <table class="lines">
                <thead>
                    <tr>
                        <th></th><th>{{ trans('Item') }}</th><th class="r">{{ trans('To take') }}</th><th class="r">{{ trans('Issued') }}</th>
                        <th class="r">{{ trans('In stock') }}</th><th class="r">{{ trans('Held for it') }}</th><th></th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($list->parts as $part)
                        <tr>
                            <td>@if ($part->open > 0)<div class="box"></div>@else ✓ @endif</td>
                            <td><span class="b">{{ $part->item }}</span> {{ $part->name }}
                                @if ($part->open > $part->there)<div class="b">{{ trans(':qty missing', ['qty' => App\Support\Words::quantity($part->open - $part->there, $part->unit)]) }}</div>@endif</td>
                            <td class="r b">{{ $part->open > 0 ? App\Support\Words::quantity($part->open, $part->unit) : '' }}</td>
                            <td class="r m">{{ $part->issued > 0 ? App\Support\Words::quantity($part->issued, $part->unit) : '' }}</td>
                            <td class="r">{{ App\Support\Words::quantity($part->there, $part->unit) }}</td>
                            <td class="r">{{ $part->held > 0 ? App\Support\Words::quantity($part->held, $part->unit) : '' }}</td>
                            <td class="r">
                                @if ($part->open > 0 && App\Documents\Code128::can($part->item))
                                    <img src="{{ App\Documents\Code128::picture($part->item, 24) }}" style="height: 26px" alt="">
                                @endif
                            </td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
    @endforeach
@endsection
