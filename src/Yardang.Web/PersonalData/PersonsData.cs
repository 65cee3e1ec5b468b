using System.Globalization;
using System.IO.Compression;
using System.Text;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.PersonalData;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Exports;
using Yardang.Web.History;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.PersonalData;

/// <summary>What a lesson keeps of a student in one room.</summary>
/// <param name="Board">The board or wall; null for the lesson itself.</param>
/// <param name="Things">What is theirs there.</param>
/// <param name="Steps">In how many steps of its history they are.</param>
/// <param name="IsSealed">Whether names are for nobody there: then nobody can tell what is theirs.</param>
/// <param name="IsAlone">Whether it is theirs alone.</param>
public sealed record KeptInRoom(LessonBoard? Board, IReadOnlyList<KeptThing> Things, int Steps, bool IsSealed, bool IsAlone);

/// <summary>What a lesson keeps of a student.</summary>
/// <param name="Record">Who they are, as the tables say.</param>
/// <param name="Rooms">Room by room, those with nothing of theirs left out.</param>
public sealed record KeptOfPerson(ParticipantRecord Record, IReadOnlyList<KeptInRoom> Rooms);

/// <summary>What is kept of a student, shown and taken along: for whoever runs the lesson, at the request of the student or their family.</summary>
public sealed class PersonsData(IDbContextFactory<SchoolContext> school, LessonPeople people, RoomHosts hosts, BoardExport boards, LogExport log, ExportDesk desk)
{
    private static readonly UTF8Encoding s_utf8 = new(encoderShouldEmitUTF8Identifier: false);

    /// <summary>What is kept of somebody; null if there is nobody with this number.</summary>
    public async Task<KeptOfPerson?> OfAsync(LessonRecord lesson, int number, CancellationToken stop)
    {
        await using var db = await school.CreateDbContextAsync(stop);
        if (await db.Participants.SingleOrDefaultAsync(p => p.LessonId == lesson.Id && p.Number == number, stop) is not { } record) return null;
        var rooms = new List<KeptInRoom> { await InAsync(lesson.Id, null, number, stop) };

        // On boards of others nobody has done anything.
        foreach (var board in (await people.AllBoardsAsync(lesson)).Where(b => b.Place.Whose != Whose.Own || b.Place.Number == number)) rooms.Add(await InAsync(board.Id, board, number, stop));
        return new(record, [.. rooms.Where(r => r.Things.Count > 0 || r.Steps > 0 || r.IsSealed)]);
    }

    /// <summary>All of it as a ZIP: a page to be read, their own boards as PDF, and what they did step by step.</summary>
    /// <param name="lesson">The lesson.</param>
    /// <param name="kept">What is kept of them.</param>
    /// <param name="page">The page to be read, HTML.</param>
    /// <param name="name">Of the file.</param>
    /// <param name="nobodyWaits">Nobody waits for it any more.</param>
    public async Task<IResult> ZipAsync(LessonRecord lesson, KeptOfPerson kept, string page, string name, CancellationToken nobodyWaits)
    {
        var pages = new List<(string Name, IReadOnlyList<ExportPage> Pages)>();
        foreach (var room in kept.Rooms.Where(r => r is { IsAlone: true, Board: not null })) pages.Add((room.Board!.Title, await boards.PagesAsync(lesson, room.Board, nobodyWaits)));
        var logs = new List<(string Name, Func<IEnumerable<string>> Lines)>();
        foreach (var room in kept.Rooms.Where(r => r is { Board: not null, Steps: > 0 })) logs.Add((room.Board!.Title, await log.LinesAsync(room.Board.Id, kept.Record.Number)));
        return await desk.GiveAsync(stop => Zip(page, pages, logs, lesson.Name, stop), "application/zip", $"{BoardExport.FileName(name)}.zip", nobodyWaits);
    }

    private async Task<KeptInRoom> InAsync(Guid id, LessonBoard? board, int number, CancellationToken stop)
    {
        var (host, things, isSealed) = (await hosts.GetAsync(id), new List<KeptThing>(), false);
        await host.LookAsync(
            room =>
            {
                isSealed = room.IsSealed;
                things.AddRange(KeptThing.Of(room, number));
            },
            stop);
        var steps = board is null || isSealed ? 0 : await log.CountAsync(id, number);
        return new(board, things, steps, isSealed, board is { Place.Whose: Whose.Own } && board.Place.Number == number);
    }

    private static byte[] Zip(string page, IEnumerable<(string Name, IReadOnlyList<ExportPage> Pages)> boards, IEnumerable<(string Name, Func<IEnumerable<string>> Lines)> logs, string title, CancellationToken stop)
    {
        using var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            void Put(string name, byte[] bytes)
            {
                stop.ThrowIfCancellationRequested();
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(bytes);
            }

            Put("index.html", s_utf8.GetBytes(page));
            foreach (var (nth, (name, sheets)) in boards.Index()) Put(FileOf("boards", nth, name, "pdf"), PageExport.Pdf(sheets, title, stop));
            foreach (var (nth, (name, lines)) in logs.Index()) Put(FileOf("what-was-done", nth, name, "jsonl"), s_utf8.GetBytes(string.Concat(lines().Select(l => l + "\n"))));
        }

        return stream.ToArray();
    }

    private static string FileOf(string folder, int nth, string name, string kind) => string.Create(CultureInfo.InvariantCulture, $"{folder}/{nth + 1} {BoardExport.FileName(name)}.{kind}");
}
