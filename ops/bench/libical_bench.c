/* One load of the bench, by libical: rule and zone resolved to instants. Prints what it did as JSON; with an argument, the instants. */
#include <libical/ical.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/resource.h>
#include <time.h>

static double now(void)
{
    struct timespec t;
    clock_gettime(CLOCK_MONOTONIC, &t);
    return t.tv_sec + t.tv_nsec / 1e9;
}

/* Lines on standard input: start TAB zone TAB rule TAB from TAB to (moments, or - for none). */
/* What bin/syndex core expand answers, as far as it goes. */
static void write_all(int count, char (*starts)[32], char (*zones)[64], char (*rules)[256], long long *from, long long *to)
{
    for (int i = 0; i < count; i++) {
        icaltimezone *zone = icaltimezone_get_builtin_timezone(zones[i]);
        struct icaltimetype start = icaltime_from_string(starts[i]);
        struct icalrecurrencetype rule = icalrecurrencetype_from_string(rules[i]);
        icalrecur_iterator *walk = icalrecur_iterator_new(rule, start);
        int first = 1;
        fputs("{\"id\":1,\"instances\":[", stdout);
        for (struct icaltimetype next = icalrecur_iterator_next(walk); !icaltime_is_null_time(next); next = icalrecur_iterator_next(walk)) {
            int daylight;
            long long offset = icaltimezone_get_utc_offset(zone, &next, &daylight);
            long long moment = (long long) icaltime_as_timet(next) - offset;
            if (moment >= to[i]) {
                break;
            }
            if (moment >= from[i]) {
                long long minutes = offset / 60;
                printf("%s\"%04d-%02d-%02dT%02d:%02d:%02d%c%02lld:%02lld\"", first ? "" : ",", next.year, next.month, next.day, next.hour, next.minute, next.second,
                    minutes < 0 ? '-' : '+', llabs(minutes) / 60, llabs(minutes) % 60);
                first = 0;
            }
        }
        fputs("],\"complete\":true}\n", stdout);
        icalrecur_iterator_free(walk);
    }
}

int main(int argc, char **argv)
{
    (void) argv;
    char line[1024];
    static char starts[4096][32], zones[4096][64], rules[4096][256];
    static long long from[4096], to[4096];
    int count = 0;
    while (fgets(line, sizeof line, stdin) && count < 4096) {
        char f[32], t[32];
        if (sscanf(line, "%31[^\t]\t%63[^\t]\t%255[^\t]\t%31[^\t]\t%31[^\n]", starts[count], zones[count], rules[count], f, t) == 5) {
            from[count] = f[0] == '-' && f[1] == 0 ? -9223372036854775807LL : atoll(f);
            to[count] = t[0] == '-' && t[1] == 0 ? 9223372036854775807LL : atoll(t);
            count++;
        }
    }
    if (argc > 1) {
        write_all(count, starts, zones, rules, from, to);
        return 0;
    }
    double best = 1e9;
    long long sum = 0, instances = 0;
    for (int round = 0; round < 3; round++) {
        double began = now();
        sum = instances = 0;
        for (int i = 0; i < count; i++) {
            icaltimezone *zone = icaltimezone_get_builtin_timezone(zones[i]);
            struct icaltimetype start = icaltime_from_string(starts[i]);
            struct icalrecurrencetype rule = icalrecurrencetype_from_string(rules[i]);
            icalrecur_iterator *walk = icalrecur_iterator_new(rule, start);
            for (struct icaltimetype next = icalrecur_iterator_next(walk); !icaltime_is_null_time(next); next = icalrecur_iterator_next(walk)) {
                long long moment = (long long) icaltime_as_timet_with_zone(next, zone);
                if (moment >= to[i]) {
                    break;
                }
                if (moment >= from[i]) {
                    sum = (sum + moment) % 1000000007LL;
                    instances++;
                }
            }
            icalrecur_iterator_free(walk);
        }
        double seconds = now() - began;
        best = seconds < best ? seconds : best;
    }
    struct rusage used;
    getrusage(RUSAGE_SELF, &used);
    printf("{\"sum\":%lld,\"instances\":%lld,\"seconds\":%.6f,\"peak_mb\":%.1f}\n", sum, instances, best, used.ru_maxrss / 1024.0);
    return 0;
}
