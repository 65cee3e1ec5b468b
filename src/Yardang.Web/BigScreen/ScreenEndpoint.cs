using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Exports;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.BigScreen;

/// <summary>
/// What the big screen of a lesson shows now, for whoever has its key: numbers, the teacher's words, and works as pictures without anybody's name. Names are
/// not left out here: they are never looked up.
/// </summary>
public sealed class ScreenEndpoint(AccessResolver access, ScreenKeys keys, Pairing pairing, RoomHosts hosts, LessonPeople people, BoardExport boards, IDbContextFactory<SchoolContext> school, TimeProvider clock)
{
    private const int Masks = 99;
    private const int MostPictures = 60;
    private static readonly TimeSpan s_atMostEvery = TimeSpan.FromSeconds(2);

    // Of each room the last picture: it is made anew only when something has changed.
    private readonly ConcurrentDictionary<Guid, (long Page, long Number, long MadeAt, byte[] Png)> _last = new();

    // Works that stay as they were when they were put there, by when that was.
    private readonly ConcurrentDictionary<(Guid Lesson, long SetAt, Guid Room), byte[]> _frozen = new();

    /// <summary>What is shown, as JSON.</summary>
    public async Task<IResult> NowAsync(HttpContext context, string key)
    {
        if (await access.BigScreenAsync(key) is not { } lesson) return Results.NotFound();
        context.Response.Headers.CacheControl = "private, no-store";
        context.Response.Headers["X-Server-Time"] = clock.GetUtcNow().ToUnixTimeMilliseconds().ToString(System.Globalization.CultureInfo.InvariantCulture);
        object? said = null;
        var (shown, setAt) = (OnScreen.Nothing, 0L);
        await (await hosts.GetAsync(lesson.Id)).LookAsync(r =>
        {
            var now = (Lesson)r;
            (shown, setAt) = (now.Screen, now.ScreenSetAt);
            said = SaidOf(now);
        }, context.RequestAborted);
        var works = shown.Kind == ScreenKind.Works ? await WorksAsync(lesson, shown, setAt, context.RequestAborted) : [];
        return Results.Json(new { shown = said, works });
    }

    // Of people only how many there are.
    private static object SaidOf(Lesson lesson)
    {
        var shown = lesson.Screen;
        var here = lesson.People.Values.Where(p => p.Standing == Standing.In).ToList();
        var phase = shown.WithClock || shown.Kind == ScreenKind.Clock ? lesson.Phases.Now : null;
        var question = shown.Kind == ScreenKind.Question ? lesson.Questions.All.Values.LastOrDefault() : null;
        return new
        {
            shown.Kind,
            here = shown.Kind == ScreenKind.ComingIn ? here.Count : 0,
            expected = shown.Kind == ScreenKind.ComingIn ? lesson.People.Values.Count(p => p.Standing == Standing.Expected) : 0,
            reports = shown.Kind == ScreenKind.CheckIn ? new[] { Report.Stuck, Report.Unsure, Report.GoesOn }.Select(report => here.Count(p => p.Report == report)) : [],
            phase = phase is null ? null : new { phase.Plan.Kind, phase.Plan.Words, phase.EndsAt },
            question = question is null ? null : new { question.Words, answered = question.Replies.Length, lines = LinesOf(question) },
        };
    }

    // Answers in words are not shown: they may say who wrote them.
    private static IEnumerable<object> LinesOf(QuickQuestion question)
    {
        string[] words = question.Form switch
        {
            ReplyForm.Choice => [.. question.Choices],
            ReplyForm.Scale => [.. Enumerable.Range(1, QuickQuestion.ScaleTop).Select(value => string.Join(' ', new[] { $"{value}", value == 1 ? question.Choices[0] : value == QuickQuestion.ScaleTop ? question.Choices[1] : "" }.Where(w => w.Length > 0)))],
            _ => [],
        };
        return words.Select((w, i) => new { words = w, count = question.Replies.Count(r => r.Choice == i + 1) });
    }

    private async Task<IEnumerable<object>> WorksAsync(LessonRecord lesson, OnScreen shown, long setAt, CancellationToken stop)
    {
        var masks = await MasksAsync(lesson.Id, stop);
        var kept = await KeptAsync(lesson, stop);
        var works = new List<(int Mask, Guid Room, string Version)>();
        foreach (var room in shown.Rooms.Where(room => masks.ContainsKey(room) && !kept.Contains(room)))
        {
            if (shown.Card != 0 && !await IsUpAsync(room, shown.Card, stop)) continue;
            var number = 0L;
            if (!shown.Frozen) number = await VersionAsync(room, At(shown), stop);
            works.Add((masks[room], room, $"{setAt}-{number}"));
        }

        // In the order of their masks: not that in which they were picked.
        return works.OrderBy(w => w.Mask).Select(w => new { mask = w.Mask, v = w.Version });
    }

    /// <summary>One of the works that are shown, by its mask: a picture.</summary>
    public async Task<IResult> WorkAsync(HttpContext context, string key, int mask)
    {
        if (await access.BigScreenAsync(key) is not { } lesson) return Results.NotFound();
        var (shown, setAt) = (OnScreen.Nothing, 0L);
        await (await hosts.GetAsync(lesson.Id)).LookAsync(r => (shown, setAt) = (((Lesson)r).Screen, ((Lesson)r).ScreenSetAt), context.RequestAborted);
        var masks = await MasksAsync(lesson.Id, context.RequestAborted);
        var room = shown.Kind == ScreenKind.Works ? shown.Rooms.FirstOrDefault(r => masks.GetValueOrDefault(r) == mask) : Guid.Empty;
        if (room == Guid.Empty || (await people.AllBoardsAsync(lesson)).FirstOrDefault(b => b.Id == room) is not { } board) return Results.NotFound();
        if ((await KeptAsync(lesson, context.RequestAborted)).Contains(room)) return Results.NotFound();
        if (shown.Frozen && _frozen.TryGetValue((lesson.Id, setAt, room), out var kept)) return Picture(context, kept);
        if (await LiveAsync(lesson, board, shown, context.RequestAborted) is not { } picture) return Results.NotFound();
        if (shown.Frozen) Keep(lesson.Id, setAt, room, picture);
        return Picture(context, picture);
    }

    /// <summary>Under which number each room of a lesson is shown: for its teachers alone.</summary>
    public async Task<IResult> NumbersAsync(HttpContext context, Guid lesson)
    {
        if (await access.LessonAsync(Visitor.Of(context), lesson, Power.Watches) is null) return Results.NotFound();
        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Json(await MasksAsync(lesson, context.RequestAborted));
    }

    /// <summary>A code by which another device becomes the big screen.</summary>
    public async Task<IResult> PairAsync(HttpContext context, Guid lesson)
    {
        if (await access.LessonAsync(Visitor.Of(context), lesson, Power.Runs) is null) return Results.NotFound();
        context.Response.Headers.CacheControl = "private, no-store";
        return pairing.CodeFor(lesson) is { } code ? Results.Json(new { code }) : Results.StatusCode(StatusCodes.Status503ServiceUnavailable);
    }

    // However fast a class draws, a picture is made anew every two seconds at most.
    private async Task<long> VersionAsync(Guid room, long page, CancellationToken stop)
    {
        if (_last.TryGetValue(room, out var last) && last.Page == page && clock.GetElapsedTime(last.MadeAt) < s_atMostEvery) return last.Number;
        var number = 0L;
        await (await hosts.GetAsync(room)).LookAsync(r => number = r.Number, stop);
        return number;
    }

    // What of a room is shown: a page, or a card.
    private static long At(OnScreen shown) => shown.Card == 0 ? shown.Page : shown.Card;

    // What was taken down is not shown any more.
    private async Task<bool> IsUpAsync(Guid room, long card, CancellationToken stop)
    {
        var isUp = false;
        await (await hosts.GetAsync(room)).LookAsync(r => isUp = r is Wall wall && HiddenNames.AsTeachersKnow(wall).Cards.GetValueOrDefault(card)?.IsUp == true, stop);
        return isUp;
    }

    private async Task<byte[]?> LiveAsync(LessonRecord lesson, LessonBoard board, OnScreen shown, CancellationToken stop)
    {
        var page = At(shown);
        var number = 0L;
        await (await hosts.GetAsync(board.Id)).LookAsync(r => number = r.Number, stop);
        if (_last.TryGetValue(board.Id, out var last) && (last.Page, last.Number) == (page, number)) return last.Png;
        if (await boards.NamelessAsync(lesson, board, shown.Page, shown.Card, stop) is not { } found) return null;
        var png = PageExport.Png(found, stop: stop);
        if (_last.Count >= MostPictures) _last.Clear();
        _last[board.Id] = (page, number, clock.GetTimestamp(), png);
        return png;
    }

    private static IResult Picture(HttpContext context, byte[] png)
    {
        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Bytes(png, "image/png");
    }

    private void Keep(Guid lesson, long setAt, Guid room, byte[] picture)
    {
        foreach (var old in _frozen.Keys.Where(k => k.Lesson == lesson && k.SetAt != setAt)) _frozen.TryRemove(old, out _);
        if (_frozen.Count < MostPictures) _frozen[(lesson, setAt, room)] = picture;
    }

    // What the class does not see yet is not put before it either.
    private async Task<HashSet<Guid>> KeptAsync(LessonRecord lesson, CancellationToken stop)
    {
        await using var db = await school.CreateDbContextAsync(stop);
        var places = await AccessResolver.KeptAsync(db, lesson);
        return places.Count == 0 ? [] : [.. (await db.RoomsOf(lesson.Id).ToListAsync(stop)).Where(r => places.Contains(r.Place)).Select(r => r.Id)];
    }

    // Rooms in the order in which they were made: each takes the next number that is free, so that it is the same as long as there is the lesson.
    private async Task<Dictionary<Guid, int>> MasksAsync(Guid lesson, CancellationToken stop)
    {
        await using var db = await school.CreateDbContextAsync(stop);
        var rooms = await db.RoomsOf(lesson).Select(r => r.Id).ToListAsync(stop);
        var (masks, taken) = (new Dictionary<Guid, int>(), new HashSet<int>());
        var below = Math.Max(Masks, rooms.Count * 2);
        foreach (var room in rooms.Order())
        {
            var mask = keys.NumberOf(room, Masks) + 1;
            while (!taken.Add(mask)) mask = (mask % below) + 1;
            masks[room] = mask;
        }

        return masks;
    }
}
