using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Boards;
using Yardang.Core.Ink;
using Yardang.Data.Log;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Headless.SimulatedClass;
using Yardang.Web.Operating;
using Yardang.Web.Rooms;
using Yardang.Web.Storage;

namespace Yardang.Web.Tests.Operating;

/// <summary>A backup is made while a class writes, and put back elsewhere.</summary>
public sealed class BackupTests : IDisposable
{
    private const int Students = 6;

    private readonly string _folder = Directory.CreateTempSubdirectory("yardang-backup-").FullName;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private string File => Path.Combine(_folder, "school.backup.zip");

    private string Elsewhere => Path.Combine(_folder, "elsewhere");

    [Fact]
    public async Task A_backup_of_a_school_that_writes_holds_all_rooms_as_they_were_at_one_moment()
    {
        List<(Guid Room, long Number)> all;
        var cookies = new CookieContainer();
        Guid lessonId;
        byte[] picture = [.. Enumerable.Range(0, 50_000).Select(i => (byte)(i * 7))];
        string name;
        long before;
        await using (var school = new TestSchool())
        {
            var (_, teacher) = await school.TeacherAsync("Ilse Varga", school.Visitor(cookies));
            var (activity, lesson) = await school.HandOutAsync(teacher);
            lessonId = lesson.Id;
            name = (await school.Get<RoomMedia>().KeepAsync(activity.DraftId, picture, Stop)).Name;
            List<ClassMember> students = [];
            for (var i = 0; i < Students; i++) students.Add(await ClassMember.JoinAsync(school.Address, lesson.Code.Text, Roster.Names[i]));
            using var enough = new CancellationTokenSource();
            var drawn = 0;
            var writing = Task.WhenAll(students.Select(s => WriteAsync(s, () => Interlocked.Increment(ref drawn), enough.Token)));
            await Eventually.IsAsync(() => drawn >= 200);
            before = Events(Path.Combine(school.Folder, "log.db")).Count;

            var outcome = await Backup.MakeAsync(DataFolder.At(school.Folder), File, TimeProvider.System, Stop);
            Assert.True(outcome.IsDone, outcome.Said);

            var then = drawn;
            await Eventually.IsAsync(() => drawn >= then + 100);
            await enough.CancelAsync();
            await writing;
            foreach (var student in students) await student.DisposeAsync();
            all = Events(Path.Combine(school.Folder, "log.db"));
        }

        var restored = await Restoring.RestoreAsync(File, Elsewhere, Stop);
        Assert.True(restored.IsDone, restored.Said);

        // The log grows at its end alone: as it was at one moment, it is the beginning of what it became.
        var kept = Events(Path.Combine(Elsewhere, "log.db"));
        Assert.InRange(kept.Count, before, all.Count - 1);
        Assert.Equal(all.Take(kept.Count), kept);

        // And it is a school that opens: for the teacher's own browser, with all its rooms, each up to its last event.
        await using var again = new TestSchool(kept: Elsewhere);
        using var teachers = again.Visitor(cookies);
        using (var desk = await teachers.GetAsync("/desk", Stop)) Assert.Equal(HttpStatusCode.OK, desk.StatusCode);
        Assert.Equal(picture, again.Get<MediaStore>().Find(name));
        await using var db = await again.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        Assert.Equal(Students, await db.Participants.CountAsync(p => p.LessonId == lessonId, Stop));
        var ink = 0;
        foreach (var (room, last) in again.Get<IEventStore>().LastNumbers())
        {
            var host = await again.Get<RoomHosts>().GetAsync(room);
            Assert.Equal(last, await host.LookAsync(r => ink += r is Board board ? board.Sheets.Marks.Count : 0, Stop));
        }

        Assert.True(ink > 100);
        await again.Get<RoomHosts>().DisposeAsync();
    }

    [Fact]
    public async Task Pages_that_were_open_before_are_told_that_it_is_another_log()
    {
        int before, after;
        await using (var school = new TestSchool())
        {
            before = school.Get<LogIdentity>().Number;
            await Backup.MakeAsync(DataFolder.At(school.Folder), File, TimeProvider.System, Stop);
        }

        await Restoring.RestoreAsync(File, Elsewhere, Stop);
        await using (var again = new TestSchool(kept: Elsewhere)) after = again.Get<LogIdentity>().Number;
        Assert.Equal(0, before);
        Assert.NotEqual(before, after);
    }

    [Fact]
    public async Task What_a_backup_may_not_do_is_said_and_changes_nothing()
    {
        var nowhere = await Backup.MakeAsync(DataFolder.At(_folder), File, TimeProvider.System, Stop);
        Assert.Equal((false, true), (nowhere.IsDone, nowhere.Said.StartsWith("There is no data", StringComparison.Ordinal)));
        await MadeAsync();
        var twice = await Backup.MakeAsync(DataFolder.At(Elsewhere), File, TimeProvider.System, Stop);
        Assert.False(twice.IsDone);
        Assert.Equal(["school.backup.zip"], Directory.EnumerateFileSystemEntries(_folder).Select(Path.GetFileName));
        Directory.CreateDirectory(Elsewhere);
        await System.IO.File.WriteAllTextAsync(Path.Combine(Elsewhere, "letter.txt"), "ours", Stop);
        var full = await Restoring.RestoreAsync(File, Elsewhere, Stop);
        Assert.Contains("is not empty", full.Said, StringComparison.Ordinal);
        Assert.Equal(["letter.txt"], Directory.EnumerateFileSystemEntries(Elsewhere).Select(Path.GetFileName));
        if (!OperatingSystem.IsWindows()) Assert.Equal(UnixFileMode.None, System.IO.File.GetUnixFileMode(File) & (UnixFileMode.GroupRead | UnixFileMode.OtherRead));
    }

    [Theory]
    [InlineData("cut")]
    [InlineData("another byte")]
    [InlineData("missing")]
    [InlineData("longer than it says")]
    [InlineData("out of the folder")]
    [InlineData("absolute")]
    [InlineData("twice")]
    [InlineData("newer format")]
    [InlineData("newer data")]
    [InlineData("no manifest")]
    [InlineData("a letter")]
    [InlineData("null")]
    public async Task A_backup_that_is_damaged_or_meant_to_do_harm_is_refused_and_leaves_nothing_behind(string harm)
    {
        await MadeAsync();
        await HarmAsync(harm);
        var outcome = await Restoring.RestoreAsync(File, Elsewhere, Stop);
        Assert.False(outcome.IsDone, outcome.Said);
        Assert.EndsWith(".", outcome.Said, StringComparison.Ordinal);
        Assert.Equal(["school.backup.zip"], Directory.EnumerateFileSystemEntries(_folder).Select(Path.GetFileName));
        Assert.False(System.IO.File.Exists(Path.Combine(Path.GetDirectoryName(_folder)!, "outside.db")));
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }

    private async Task MadeAsync()
    {
        await using var school = new TestSchool();
        await school.HandOutAsync((await school.TeacherAsync("Ilse Varga")).Id);
        var outcome = await Backup.MakeAsync(DataFolder.At(school.Folder), File, TimeProvider.System, Stop);
        Assert.True(outcome.IsDone, outcome.Said);
    }

    private async Task HarmAsync(string harm)
    {
        switch (harm)
        {
            case "cut":
                await using (var cut = new FileStream(File, FileMode.Open)) cut.SetLength(cut.Length / 2);
                return;
            case "a letter":
                await System.IO.File.WriteAllTextAsync(File, "Dear parents", Stop);
                return;
        }

        using var zip = ZipFile.Open(File, ZipArchiveMode.Update);
        if (harm is "missing") zip.GetEntry("log.db")!.Delete();
        if (harm is "another byte") Change(zip, "school.db", bytes => bytes[^100] ^= 1);
        if (harm is "no manifest") zip.GetEntry(BackupManifest.Entry)!.Delete();
        if (harm is "null") Manifest(zip, _ => null);
        if (harm is "newer format") Manifest(zip, m => m with { Format = 2 });
        if (harm is "newer data") Manifest(zip, m => m with { Form = "29991231235959_Later" });
        if (harm is "twice") Manifest(zip, m => m with { Files = [.. m.Files, m.Files[0]] });
        if (harm is "longer than it says") Manifest(zip, m => m with { Files = [m.Files[0] with { Bytes = 10 }, .. m.Files.Skip(1)] });
        if (harm is "out of the folder" or "absolute")
        {
            var to = harm is "absolute" ? Path.Combine(Path.GetTempPath(), "outside.db") : "../../outside.db";
            using (var stream = zip.CreateEntry(to).Open()) stream.Write(Encoding.UTF8.GetBytes("x"));
            Manifest(zip, m => m with { Files = [.. m.Files, new(to, 1, "2d711642b726b04401627ca9fbac32f5c8530fb1903cc4db02258717921a4881")] });
        }
    }

    private static void Manifest(ZipArchive zip, Func<BackupManifest, BackupManifest?> change)
    {
        BackupManifest manifest;
        using (var stream = zip.GetEntry(BackupManifest.Entry)!.Open()) manifest = JsonSerializer.Deserialize<BackupManifest>(stream, BackupManifest.Json)!;
        zip.GetEntry(BackupManifest.Entry)!.Delete();
        using var written = zip.CreateEntry(BackupManifest.Entry).Open();
        JsonSerializer.Serialize(written, change(manifest), BackupManifest.Json);
    }

    private static void Change(ZipArchive zip, string name, Action<byte[]> change)
    {
        var bytes = new MemoryStream();
        using (var stream = zip.GetEntry(name)!.Open()) stream.CopyTo(bytes);
        zip.GetEntry(name)!.Delete();
        var changed = bytes.ToArray();
        change(changed);
        using var written = zip.CreateEntry(name).Open();
        written.Write(changed);
    }

    private static async Task WriteAsync(ClassMember student, Action drawn, CancellationToken enough)
    {
        while (!enough.IsCancellationRequested)
        {
            await student.DoAsync(new Draws([new InkPoint(100, 100, 128, 0), new InkPoint(900, 300, 128, 20)], 0), lively: false, CancellationToken.None);
            drawn();
            await Task.Delay(5, CancellationToken.None);
        }
    }

    // In the order in which they became durable, over all rooms.
    private static List<(Guid Room, long Number)> Events(string log)
    {
        using var connection = new SqliteConnection($"Data Source={log};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT Room, Number FROM Events ORDER BY rowid";
        using var reader = command.ExecuteReader();
        List<(Guid, long)> events = [];
        while (reader.Read()) events.Add((new Guid((byte[])reader[0]), reader.GetInt64(1)));
        return events;
    }
}
