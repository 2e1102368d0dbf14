{!! $meeting->title !!}
{!! $lead !!}

@if ($words)
{!! $words !!}

@endif
@include('mail.when-text')

{!! $footer !!}
