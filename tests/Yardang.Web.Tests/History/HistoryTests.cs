using System.IO.Compression;
using System.Net;
using MessagePack;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.History;
using Yardang.Core.Ink;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.Wire;
using Yardang.Web.Rooms;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.History;

/// <summary>How a board came to be is told to teachers, and nothing is changed by looking.</summary>
public sealed class HistoryTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private HttpClient _teacher = null!;
    private HttpClient _student = null!;
    private string _as = "";
    private Guid _lesson;
    private JoinCode _code = null!;
    private RoomHost _host = null!;
    private static readonly Actor s_maya = new(2, Role.Student);

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        (_teacher, var id) = await _school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await _school.HandOutAsync(id);
        (_lesson, _code) = (lesson.Id, lesson.Code);
        (_student, var page) = await _school.StudentAsync(lesson.Code, "Maya");
        _as = page.Split('?')[1];
        _host = await _school.Get<RoomHosts>().GetAsync(Guid.Parse(page.Split('/')[^1].Split('?')[0]));
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task Its_beginning_and_all_its_events_add_up_to_what_stands_now()
    {
        long drawn = 0;
        await DoAsync(_host, s_maya, id => Line(drawn = id));
        await DoAsync(_host, s_maya, _ => new MakeChanges([new Erasing(drawn, true)]));
        var (beginning, last, events) = await HistoryAsync("");
        Assert.Equal(_host.Durable, last);

        await _host.LookAsync(room =>
        {
            var board = (Board)room;
            var again = new Board(Core.Activities.ActivityContent.Blank("en", ""));
            Assert.True(SnapshotCodec.Restore(beginning!, again));
            Assert.Equal(0, again.Number);
            foreach (var happened in events) again.Apply(happened);
            Assert.Equal(SnapshotCodec.Encode(board, Actor.Program), SnapshotCodec.Encode(again, Actor.Program));
        }, Stop);
    }

    [Fact]
    public async Task Afterwards_only_what_came_since_is_told()
    {
        await DoAsync(_host, s_maya, Line);
        var before = _host.Durable;
        await DoAsync(_host, s_maya, Line);
        var (beginning, last, events) = await HistoryAsync($"?after={before}");
        Assert.Null(beginning);
        Assert.Equal(last, events[^1].Number);
        Assert.Equal(before + 1, events[0].Number);
        Assert.Empty((await HistoryAsync($"?after={last + 100}")).Events);
        Assert.Equal(HttpStatusCode.NotFound, (await _teacher.GetAsync($"/rooms/{_host.Id}/history?after=-1", Stop)).StatusCode);
    }

    [Fact]
    public async Task What_would_be_restored_is_told_and_done_only_when_the_teacher_does_it()
    {
        long drawn = 0;
        await DoAsync(_host, s_maya, id => Line(drawn = id));
        var then = _host.Durable;
        await DoAsync(_host, s_maya, _ => new MakeChanges([new Erasing(drawn, true)]));

        var (commands, back) = await RestoringAsync($"at={then}&place=1&depth={(int)RestoreDepth.Exactly}");
        Assert.Equal(1, back);
        Assert.True(await IsErasedAsync(drawn));
        await DoAsync(_host, Actor.Owner, [.. commands]);
        Assert.False(await IsErasedAsync(drawn));
        Assert.Empty((await RestoringAsync($"at={then}")).Commands);
    }

    [Theory]
    [InlineData("at=-1")]
    [InlineData("at=999999")]
    [InlineData("at=0&depth=7")]
    [InlineData("at=x")]
    [InlineData("place=1")]
    public async Task A_moment_that_never_was_is_refused(string query) =>
        Assert.Equal(HttpStatusCode.BadRequest, (await _teacher.GetAsync($"/rooms/{_host.Id}/restoring?{query}", Stop)).StatusCode);

    [Fact]
    public async Task What_was_done_is_taken_along_as_a_table_and_as_lines_of_json()
    {
        await DoAsync(_host, s_maya, Line);
        await DoAsync(_host, s_maya, id => new AddMark(id, 1, Grip.Own, new NoteBody(0, 0, 5200, 5200, new Words("=Steel", "en", ["=Steel"], 700)), new Style(1, 0)));
        var address = $"/lesson/{_lesson}/board/{_host.Id}/log";
        var table = (await _teacher.GetStringAsync($"{address}.csv", Stop)).Split('\n', StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal(3, table.Length);
        Assert.Contains(",Maya,drew,Page 1 of 1,,", table[1], StringComparison.Ordinal);
        Assert.Contains(",Maya,wrote,Page 1 of 1,'=Steel,", table[2], StringComparison.Ordinal);

        var lines = (await _teacher.GetStringAsync($"{address}.jsonl?person={s_maya.Number}", Stop)).Split('\n', StringSplitOptions.RemoveEmptyEntries);
        using var last = System.Text.Json.JsonDocument.Parse(lines[^1]);
        Assert.Equal(("Maya", "wrote", "=Steel"), (last.RootElement.GetProperty("who").GetString(), last.RootElement.GetProperty("did").GetString(), last.RootElement.GetProperty("words").GetString()));
        Assert.Empty(await _teacher.GetStringAsync($"{address}.jsonl?person=1", Stop));
    }

    [Fact]
    public async Task Chosen_moments_are_taken_along_as_a_pdf_in_order_and_a_page_as_a_film()
    {
        await DoAsync(_host, s_maya, Line);
        var then = _host.Durable;
        await DoAsync(_host, s_maya, id => new AddMark(id, 1, Grip.Own, new NoteBody(0, 0, 5200, 5200, new Words("Steel <pulls>", "en", ["Steel <pulls>"], 700)), new Style(1, 0)));
        var address = $"/lesson/{_lesson}/board/{_host.Id}";
        var pdf = System.Text.Encoding.Latin1.GetString(await _teacher.GetByteArrayAsync($"{address}/moments.pdf?m={_host.Durable}.1&m=0.1&m={then}.1", Stop));
        Assert.StartsWith("%PDF", pdf, StringComparison.Ordinal);
        Assert.Contains("/Count 3", pdf, StringComparison.Ordinal);

        var film = System.Xml.Linq.XDocument.Parse(await _teacher.GetStringAsync($"{address}/film.svg?page=1", Stop));
        var ids = film.Descendants().Select(e => e.Attribute("id")?.Value).OfType<string>().ToList();
        Assert.Equal(ids.Count, ids.Distinct().Count());
        Assert.Equal(2, film.Root!.Elements().Count(e => e.Name.LocalName == "g" && e.Attribute("visibility")?.Value == "visible" && e.Elements().First().Name.LocalName == "animate"));
        Assert.Equal(HttpStatusCode.OK, (await _teacher.GetAsync($"{address}/film.svg?page=99", Stop)).StatusCode);
    }

    [Theory]
    [InlineData("")]
    [InlineData("m=")]
    [InlineData("m=1")]
    [InlineData("m=-1.1")]
    [InlineData("m=1.x")]
    [InlineData("m=999999.1")]
    [InlineData("m=0.99")]
    [InlineData("m=99999999999999999999.1")]
    public async Task A_pdf_of_moments_that_never_were_is_refused(string query) =>
        Assert.Equal(HttpStatusCode.BadRequest, (await _teacher.GetAsync($"/lesson/{_lesson}/board/{_host.Id}/moments.pdf?{query}", Stop)).StatusCode);

    [Fact]
    public async Task No_more_moments_are_taken_along_than_so_many()
    {
        var many = string.Join('&', Enumerable.Repeat("m=0.1", 41));
        Assert.Equal(HttpStatusCode.BadRequest, (await _teacher.GetAsync($"/lesson/{_lesson}/board/{_host.Id}/moments.pdf?{many}", Stop)).StatusCode);
    }

    [Fact]
    public async Task A_student_is_told_neither()
    {
        foreach (var path in new[] { "history?", "restoring?at=0&" })
            Assert.Equal(HttpStatusCode.NotFound, (await _student.GetAsync($"/rooms/{_host.Id}/{path}{_as}", Stop)).StatusCode);
    }

    [Fact]
    public async Task Where_the_teacher_lets_them_students_look_back_at_their_own_board_and_at_no_other()
    {
        await DoAsync(_host, s_maya, Line);
        await DoAsync(_host, Actor.Owner, id => new AddMark(id, 1, Grip.Own, new NoteBody(0, 0, 5200, 5200, new Words("Well begun", "en", ["Well begun"], 700)), new Style(1, 0)));
        var page = $"/board/{_host.Id}/history?{_as}";
        Assert.Equal(HttpStatusCode.Redirect, (await _student.GetAsync(page, Stop)).StatusCode);
        await LetLookBackAsync(true);
        await Eventually.IsAsync(async () => (await _student.GetAsync(page, Stop)).StatusCode == HttpStatusCode.OK);

        var (beginning, last, events) = await HistoryAsync($"?{_as}", _student);
        Assert.NotNull(beginning);
        Assert.Equal(_host.Durable, last);
        Assert.Equal(2, events.Count(e => e.Event is MarkAdded));
        Assert.Equal(HttpStatusCode.NotFound, (await _student.GetAsync($"/rooms/{_host.Id}/restoring?at=0&{_as}", Stop)).StatusCode);

        // Nobody else's, whoever they say they are.
        var (ben, bens) = await _school.StudentAsync(_code, "Ben");
        var bensAs = bens.Split('?')[1];
        Assert.Equal(HttpStatusCode.NotFound, (await ben.GetAsync($"/rooms/{_host.Id}/history?{bensAs}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await ben.GetAsync($"/rooms/{_host.Id}/history?{_as}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await ben.GetAsync($"/rooms/{_host.Id}/history?{bensAs}&look=1", Stop)).StatusCode);

        await LetLookBackAsync(false);
        await Eventually.IsAsync(async () => (await _student.GetAsync($"/rooms/{_host.Id}/history?{_as}", Stop)).StatusCode == HttpStatusCode.NotFound);
    }

    private async Task LetLookBackAsync(bool on) => await DoAsync(await _school.Get<RoomHosts>().GetAsync(_lesson), Actor.Owner, new SetSight(false, false, on));

    private static AddMark Line(long id) =>
        new(id, 1, Grip.Own, new InkBody([new InkPoint(1000, 1000, 128, 0), new InkPoint(3000, 1000, 128, 40)]), new Style(0, 80));

    private async Task<bool> IsErasedAsync(long mark)
    {
        var erased = false;
        await _host.LookAsync(room => erased = ((Board)room).Sheets.Marks[mark].Erased, Stop);
        return erased;
    }

    private async Task<(byte[]? Beginning, long Last, List<Envelope> Events)> HistoryAsync(string query, HttpClient? browser = null)
    {
        using var answer = await (browser ?? _teacher).GetAsync($"/rooms/{_host.Id}/history{query}", Stop);
        await using var gzip = new GZipStream(await answer.Content.ReadAsStreamAsync(Stop), CompressionMode.Decompress);
        using var all = new MemoryStream();
        await gzip.CopyToAsync(all, Stop);
        return Read(all.ToArray());
    }

    private static (byte[]? Beginning, long Last, List<Envelope> Events) Read(ReadOnlyMemory<byte> bytes)
    {
        var r = new MessagePackReader(bytes);
        r.ReadArrayHeader();
        var beginning = r.TryReadNil() ? null : System.Buffers.BuffersExtensions.ToArray(r.ReadBytes()!.Value);
        var last = r.ReadInt64();
        var events = new List<Envelope>();
        for (var left = r.ReadArrayHeader(); left > 0; left--) events.Add(EventCodec.Decode(System.Buffers.BuffersExtensions.ToArray(r.ReadRaw())));
        return (beginning, last, events);
    }

    private async Task<(List<Command> Commands, int Back)> RestoringAsync(string query)
    {
        var r = new MessagePackReader(await _teacher.GetByteArrayAsync($"/rooms/{_host.Id}/restoring?{query}", Stop));
        return ReadPlan(ref r);
    }

    // As a client makes them its own.
    private static (List<Command> Commands, int Back) ReadPlan(ref MessagePackReader r)
    {
        r.ReadArrayHeader();
        var commands = new List<Command>();
        for (var left = r.ReadArrayHeader(); left > 0; left--)
        {
            var raw = System.Buffers.BuffersExtensions.ToArray(r.ReadRaw());

            // [version, client, counter, ...]: both are 0 as long as nobody has sent it.
            (raw[2], raw[3]) = (1, 1);
            commands.Add(CommandCodec.Decode(raw).Submission!.Command);
        }

        // [[back, changed, away, down]]: of a board, marks alone.
        r.ReadArrayHeader();
        r.ReadArrayHeader();
        return (commands, r.ReadInt32());
    }
}
