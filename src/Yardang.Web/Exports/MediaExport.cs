using System.Globalization;
using System.IO.Compression;
using Microsoft.Extensions.Localization;
using Yardang.Core.Attachments;
using Yardang.Core.Boards;
using Yardang.Core.Marks;
using Yardang.Core.Media;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Exports;

/// <summary>All pictures, recordings and files of a lesson's students, each whole, in folders by name or by number; with a table of what belongs where.</summary>
public sealed class MediaExport(AccessResolver access, LessonPeople people, RoomHosts hosts, MediaStore media, DataFolder folder, IStringLocalizer<UiTexts> texts)
{
    private const string TableName = "media.csv";
    private const int MostOfName = 60;
    private const int BufferSize = 81_920;

    // Each is as large as all media of a lesson, and on the disk until it is taken.
    private const int MostAtOnce = 3;
    private static readonly SemaphoreSlim s_atOnce = new(MostAtOnce, MostAtOnce);
    private static readonly string[] s_columns = ["File", "Who", "Where", "Card", "What", "Length", "Words"];

    /// <summary>The file, for the lesson's teachers.</summary>
    /// <param name="context">Of the request.</param>
    /// <param name="lesson">The lesson.</param>
    /// <param name="numbers">Whether people are called by their numbers.</param>
    public async Task<IResult> ZipAsync(HttpContext context, Guid lesson, bool numbers)
    {
        if (await access.LessonAsync(Visitor.Of(context), lesson, Power.Runs) is not { } record) return Results.NotFound();
        if (!await s_atOnce.WaitAsync(TimeSpan.Zero, context.RequestAborted)) return Results.Text(texts["MediaTable.Busy"], statusCode: StatusCodes.Status503ServiceUnavailable);
        context.Response.OnCompleted(() => Task.FromResult(s_atOnce.Release()));
        var found = await FindAsync(record, context.RequestAborted);
        var called = await CalledAsync(record, numbers);
        var file = Unfinished();
        try
        {
            await WriteAsync(file, found, called, context.RequestAborted);
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }

        file.Position = 0;
        return Results.Stream(file, "application/zip", $"{BoardExport.FileName($"{record.Name} {record.ClassName}")}.media.zip");
    }

    // On the disk, as a lesson may have more than a server should hold; it goes with the answer, and what a crash leaves with the unfinished uploads.
    private FileStream Unfinished()
    {
        Directory.CreateDirectory(folder.Uploads);
        return new(Path.Combine(folder.Uploads, $"{Guid.NewGuid():N}.zip"), FileMode.CreateNew, FileAccess.ReadWrite, FileShare.None, BufferSize, FileOptions.DeleteOnClose | FileOptions.Asynchronous);
    }

    private async Task WriteAsync(Stream body, List<Found> found, Func<int, string> called, CancellationToken stop)
    {
        await using var zip = await ZipArchive.CreateAsync(body, ZipArchiveMode.Create, leaveOpen: true, entryNameEncoding: null, stop);
        var rows = new List<IReadOnlyList<string>>();
        foreach (var one in found)
        {
            if (media.FindFile(one.Media) is not { } file) continue;
            var name = $"{Safe(called(one.Author))}/{rows.Count + 1:000} {await NameAsync(one, file, stop)}";
            rows.Add([name, called(one.Author), one.Where, one.Card, one.What, one.Lasts > 0 ? Recordings.Time(one.Lasts) : "", one.Words]);
            await AddAsync(zip, name, File.OpenRead(file), stop);
        }

        await AddAsync(zip, TableName, new MemoryStream(Table.Write(s_columns.Select(c => texts[$"MediaTable.{c}"].Value), rows)), stop);
    }

    // They are packed already.
    private static async Task AddAsync(ZipArchive zip, string name, Stream content, CancellationToken stop)
    {
        await using (content)
        {
            await using var entry = await zip.CreateEntry(name, CompressionLevel.NoCompression).OpenAsync(stop);
            await content.CopyToAsync(entry, stop);
        }
    }

    private static async Task<string> NameAsync(Found one, string file, CancellationToken stop)
    {
        if (one.FileName.Length > 0) return one.FileName;
        var start = new byte[16];
        await using var stream = File.OpenRead(file);
        var read = await stream.ReadAtLeastAsync(start, start.Length, throwOnEndOfStream: false, stop);
        var ending = MediaType.Of(start.AsSpan(0, read)) switch { "image/png" => ".png", "image/jpeg" => ".jpg", "video/webm" => ".webm", "video/mp4" => ".mp4", "audio/mp4" => ".m4a", "audio/ogg" => ".ogg", "audio/wav" => ".wav", "audio/mpeg" => ".mp3", _ => "" };
        return $"{Safe($"{one.Where} {one.What}")}{ending}";
    }

    private async Task<List<Found>> FindAsync(LessonRecord lesson, CancellationToken stop)
    {
        var found = new List<Found>();
        foreach (var board in await people.AllBoardsAsync(lesson))
        {
            await (await hosts.GetAsync(board.Id)).LookAsync(room => found.AddRange(room switch
            {
                Wall wall => OnWall(HiddenNames.AsTeachersKnow(wall), board.Title),
                Board pages => OnPages(pages, board.Title),
                _ => [],
            }), stop);
        }

        return [.. found.OrderBy(f => f.Author)];
    }

    private IEnumerable<Found> OnWall(Wall wall, string title) =>
        from card in wall.Cards.Values
        where card.IsUp && !card.ByStaff
        orderby card.PutUpAt
        from shown in card.Shown
        where shown is PictureAttachment or VoiceAttachment or FilmAttachment or FileAttachment
        select Of(shown, card.Author, title, card.Text);

    private IEnumerable<Found> OnPages(Board board, string title) =>
        from mark in board.Sheets.Marks.Values
        where !mark.ByStaff && mark.Stands
        orderby mark.Id
        let shown = mark.Body switch { PictureBody p => new PictureAttachment(p.Media, 1, 1, p.Description), ShownBody s => s.Shown, _ => null }
        where shown is PictureAttachment or VoiceAttachment or FilmAttachment or FileAttachment
        select Of(shown, mark.Author, title, "");

    private Found Of(Attachment shown, int author, string title, string card) =>
        new(shown.MediaNames().First(), author, title, card, WhatOf(shown), shown.Lasts(), shown is FileAttachment sent ? sent.Description : shown.Said(), shown is FileAttachment file ? SentFile.NameFor(file.Name, file.Format) : "");

    private string WhatOf(Attachment shown) => texts[$"Wall.{shown switch { VoiceAttachment => "Voice", FilmAttachment => "Film", FileAttachment => "File", _ => "Picture" }}"].Value;

    private async Task<Func<int, string>> CalledAsync(LessonRecord lesson, bool numbers)
    {
        var known = (await people.InAsync(lesson.Id)).ToDictionary(p => p.Number, p => numbers ? (p.ListNumber > 0 ? p.ListNumber : p.Number).ToString("00", CultureInfo.InvariantCulture) : p.Name);
        return number => known.GetValueOrDefault(number) ?? texts["Wall.Somebody"].Value;
    }

    private static string Safe(string name) => BoardExport.FileName(name) is { Length: > 0 } safe ? safe[..Math.Min(MostOfName, safe.Length)].Trim() : "-";

    // Something of a student.
    private sealed record Found(string Media, int Author, string Where, string Card, string What, int Lasts, string Words, string FileName);
}
