{!! $meeting->title !!}
{!! $lead !!}

@if ($words)
{!! $words !!}

@endif
@foreach ($times as $time)
- {!! $time !!}
@endforeach

{!! $length !!}{!! $repeats === null ? '' : ' '.$repeats !!}
{!! $by !!}

{!! $say->say('offer_open') !!}: {!! $link !!}
{!! $say->say('offer_own_link') !!}

@if ($meeting->purpose)
{!! $meeting->purpose !!}

@endif
{!! $footer !!}
