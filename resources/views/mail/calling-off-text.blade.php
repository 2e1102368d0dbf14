{!! $meeting->title !!}
{!! $lead !!}

@include('mail.when-text')

{!! $footer !!}
