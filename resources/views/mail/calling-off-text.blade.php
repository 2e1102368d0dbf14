{!! $meeting->title !!}
{!! __('mail.called_off_by', ['host' => $host]) !!}

@include('mail.when-text')

{!! $footer !!}
