using System.Threading.Channels;
using MessagePack;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.Wire;
using Yardang.Headless.SimulatedClass;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Lessons;

public sealed class HubTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private readonly Channel<(int Counter, Refusal Reason)> _refused = Channel.CreateUnbounded<(int, Refusal)>();
    private HubConnection _maya = null!;
    private string _mayasBoard = "";
    private string _bensBoard = "";
    private int _client;

    public async ValueTask InitializeAsync()
    {
        var (_, teacher) = await _school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await _school.HandOutAsync(teacher);
        var (browser, board) = await _school.StudentAsync(lesson.Code, "Maya");
        var (_, bens) = await _school.StudentAsync(lesson.Code, "Ben");
        (_mayasBoard, _bensBoard) = (board.Split('/', '?')[2], bens.Split('/', '?')[2]);
        using var page = await browser.GetAsync(board);
        var cookie = string.Join("; ", page.Headers.GetValues("Set-Cookie").Select(c => c.Split(';')[0]));
        _maya = new HubConnectionBuilder()
            .WithUrl(new Uri(_school.Address, $"/live?{board.Split('?')[1]}"), o => o.Headers["Cookie"] = cookie)
            .AddMessagePackProtocol().Build();
        _maya.On<string, int, int, int, int>("Refused", (_, _, counter, reason, _) => _refused.Writer.TryWrite((counter, (Refusal)reason)));
        await _maya.StartAsync();
        _client = await _maya.InvokeAsync<int>("Admit", _mayasBoard);
    }

    public async ValueTask DisposeAsync()
    {
        await _maya.DisposeAsync();
        await _school.DisposeAsync();
    }

    [Fact]
    public async Task A_stroke_comes_back_as_a_numbered_event()
    {
        await SendAsync(_mayasBoard, Draw(1));
        var frames = _maya.StreamAsync<byte[]>("Watch", _mayasBoard, 1L, Stop).GetAsyncEnumerator(Stop);
        var through = 1L;
        while (through == 1)
        {
            Assert.True(await frames.MoveNextAsync(), "The stream ended before the stroke came.");
            var r = new MessagePackReader(frames.Current);
            r.ReadArrayHeader();
            through = r.ReadInt64();
        }

        Assert.Equal(2, through);
    }

    [Fact]
    public async Task Another_students_board_is_closed_to_commands_reading_and_previews()
    {
        await Assert.ThrowsAsync<HubException>(() => _maya.InvokeAsync<int>("Admit", _bensBoard, Stop));
        await Assert.ThrowsAsync<HubException>(async () => await _maya.StreamAsync<byte[]>("Watch", _bensBoard, 0L, Stop).ToListAsync(Stop));
        await Assert.ThrowsAsync<HubException>(() => _maya.InvokeAsync("Preview", _bensBoard, new byte[] { 1 }, Stop));
        await SendAsync(_bensBoard, Draw(1));
        Assert.Equal(Refusal.NotAllowed, await NextRefusalAsync());
    }

    [Theory]
    [InlineData("c1", Refusal.Malformed)]
    [InlineData("", Refusal.Malformed)]
    [InlineData("97630101000001c0", Refusal.TooNew)]
    [InlineData("97010101000063c0", Refusal.Malformed)]
    public async Task What_cannot_be_read_is_refused_with_a_reason_and_changes_nothing(string hex, Refusal reason)
    {
        var before = await NumberAsync();
        await SendAsync(_mayasBoard, Convert.FromHexString(hex));
        Assert.Equal(reason, await NextRefusalAsync());
        Assert.Equal(before, await NumberAsync());
    }

    [Fact]
    public async Task What_is_too_large_is_refused()
    {
        await SendAsync(_mayasBoard, new byte[Limits.CommandBytes + 1]);
        Assert.Equal(Refusal.TooLarge, await NextRefusalAsync());
    }

    [Fact]
    public async Task A_page_out_of_range_and_a_foreign_client_number_are_refused()
    {
        await SendAsync(_mayasBoard, Draw(1, page: 7));
        Assert.Equal(Refusal.NoSuchPage, await NextRefusalAsync());
        await SendAsync(_mayasBoard, CommandCodec.Encode(new Submission(_client + 5, 1, 0, 0, new UndoGesture(1))));
        Assert.Equal(Refusal.UnknownClient, await NextRefusalAsync());
    }

    [Fact]
    public async Task A_command_sent_twice_counts_once()
    {
        await SendAsync(_mayasBoard, Draw(1));
        await SendAsync(_mayasBoard, Draw(1));
        await SendAsync(_mayasBoard, Draw(2));
        await SendAsync(_mayasBoard, CommandCodec.Encode(new Submission(_client, 9, 8, 0, new UndoGesture(1))));
        Assert.Equal(Refusal.Resend, await NextRefusalAsync());
        Assert.Equal(3, await NumberAsync());
    }

    [Fact]
    public async Task A_room_that_does_not_exist_is_refused()
    {
        await Assert.ThrowsAsync<HubException>(() => _maya.InvokeAsync<int>("Admit", Guid.NewGuid().ToString(), Stop));
        await Assert.ThrowsAsync<HubException>(() => _maya.InvokeAsync<int>("Admit", "no room", Stop));
    }

    [Fact]
    public async Task The_simulated_class_joins_works_and_everything_is_kept()
    {
        var (_, teacher) = await _school.TeacherAsync("Tobi Adeyemi");
        var (_, lesson) = await _school.HandOutAsync(teacher);
        await using var simulated = new SimulatedLesson(FirstIdeas.Of);
        await simulated.JoinAsync(_school.Address, lesson.Code.Text);
        await simulated.RunToAsync(step: 40, Stop);
        Assert.Equal(Roster.Names.AsEnumerable(), (await _school.Get<Web.Lessons.LessonPeople>().InAsync(lesson.Id)).Select(p => p.Name));
        var leif = (await _school.Get<Web.Lessons.LessonPeople>().SeatedAsync(lesson, lesson.Parts[0])).Single(p => p.Name == "Leif Sorrento");
        var marks = 0;
        var host = await _school.Get<RoomHosts>().GetAsync(leif.Board);
        await host.LookAsync(r => marks = ((Core.Boards.Board)r).Sheets.Marks.Count, Stop);
        Assert.Equal(FirstIdeas.Of(8).Count(d => d is Draws or Types or PutsUpNote), marks);
    }

    [Theory]
    [InlineData("triangles-in-trusses", Way.OneEach)]
    [InlineData("load-test-log", Way.OneEach)]
    [InlineData("where-would-you-build-it", Way.AllTogether)]
    public async Task In_each_activity_of_the_demo_all_that_the_class_makes_stands_on_its_boards(string archive, Way way)
    {
        Script script = archive switch { "triangles-in-trusses" => Trusses.Of, "load-test-log" => LoadTest.Of, _ => BuildingPlace.Of };
        var (_, teacher) = await _school.TeacherAsync("Tobi Adeyemi");
        await using var file = typeof(Web.Demo.DemoSchool).Assembly.GetManifestResourceStream($"{archive}.yardang.zip")!;
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, Stop);
        var handing = _school.Get<Web.Lessons.Handing>();
        var activity = await _school.Get<ActivityMaking>().ImportAsync(teacher, ActivityArchive.Read(bytes.ToArray()));
        var lesson = await handing.HandOutAsync(activity, new HandOutOrder("7 Amber", Way: way), "en");
        await using var simulated = new SimulatedLesson(script);
        await simulated.JoinAsync(_school.Address, lesson.Code.Text);
        await simulated.RunToAsync(step: 60, Stop);

        var people = await _school.Get<Web.Lessons.LessonPeople>().SeatedAsync(lesson, lesson.Parts[0]);
        for (var i = 0; i < people.Count; i++)
        {
            var (mine, moved) = (0, 0);
            await (await _school.Get<RoomHosts>().GetAsync(people[i].Board)).LookAsync(
                r =>
                {
                    var marks = ((Core.Boards.Board)r).Sheets.Marks.Values;
                    mine = marks.Count(m => m.Author == people[i].Number && !m.ByStaff);
                    moved = marks.Count(m => m.Grip == Grip.Loose && m.Place != Place.AsDrawn);
                }, Stop);
            Assert.Equal(script(i).Count(d => d is Draws or Types or PutsUpNote or DrawsShape or PutsRecording), mine);
            Assert.True(moved > 0 || !script(i).Any(d => d is Moves));
        }
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private Task SendAsync(string room, byte[] message) => _maya.InvokeAsync("Submit", room, message, Stop);

    private byte[] Draw(int counter, int page = 1) => CommandCodec.Encode(new Submission(_client, counter, counter - 1, 0, new AddMark(
        Ids.Of(_client, counter), page, Grip.Own, new InkBody([new InkPoint(0, 0, 128, 0), new InkPoint(500, 0, 128, 9)]), new Style(0, 60))));

    private async Task<Refusal> NextRefusalAsync()
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(Stop);
        patience.CancelAfter(TimeSpan.FromSeconds(10));
        return (await _refused.Reader.ReadAsync(patience.Token)).Reason;
    }

    private async Task<long> NumberAsync()
    {
        var host = await _school.Get<RoomHosts>().GetAsync(Guid.Parse(_mayasBoard));
        return await host.LookAsync(_ => { }, Stop);
    }
}
