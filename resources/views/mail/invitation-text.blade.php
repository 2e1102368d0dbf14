{!! $meeting->title !!}
{!! $lead ?? ($coordinator ? __('mail.asks_you_through', ['host' => $host, 'coordinator' => $coordinator]) : __('mail.asks_you', ['host' => $host])) !!}{!! $needed === null ? '' : ' '.__($needed ? 'mail.required' : 'mail.optional') !!}

@if ($words)
{!! $words !!}

@endif
@foreach ($changeLines as $line)
- {!! $line !!}
@endforeach

@include('mail.when-text')

@if ($meeting->purpose)
{!! $meeting->purpose !!}

@endif
@if ($kit)
{!! __('mail.join') !!}: {!! $kit['link'] !!}
{!! __('mail.number_and_passcode', ['number' => $kit['number'], 'passcode' => $kit['passcode']]) !!}
@foreach ($kit['phones'] as $phone)
{!! __('mail.by_phone') !!} {!! $phone['text'] !!} ({!! $phone['country'] !!})
@endforeach
{!! __('mail.then_pin', ['number' => $kit['digits'], 'pin' => $kit['pin']]) !!}

@endif
@if ($where)
{!! __('mail.place') !!}: {!! $where !!}

@endif
@if ($meeting->agenda->isNotEmpty())
{!! __('mail.agenda') !!}:
@foreach ($meeting->agenda as $item)
- {!! $item->inWords() !!}
@endforeach

@endif
@if ($meeting->links !== [])
{!! __('mail.links') !!}:
@foreach ($meeting->links as $link)
- {!! $link['label'] === '' ? '' : $link['label'].': ' !!}{!! $link['url'] !!}
@endforeach

@endif
@if ($who !== [])
{!! __('mail.who') !!}: {!! implode(', ', $who) !!}

@endif
{!! __('mail.answer') !!}

{!! $footer !!}
