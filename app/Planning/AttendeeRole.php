<?php

declare(strict_types=1);

namespace App\Planning;

enum AttendeeRole: string
{
    case Required = 'required';
    case Optional = 'optional';
}
