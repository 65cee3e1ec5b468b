using System.Net;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Lessons;

/// <summary>What waits for a teacher's decision, boards that nobody is on any more, and people who were made up.</summary>
public sealed class WaitingWorkTests : IAsyncLifetime
{
    private static readonly Actor s_maya = new(2, Role.Student);

    private readonly TestSchool _school = new();
    private HttpClient _varga = null!;
    private LessonRecord _lesson = null!;
    private RoomHost _room = null!;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        (_varga, var id) = await _school.TeacherAsync("Ilse Varga");
        (_, _lesson) = await _school.HandOutAsync(id, way: Way.ByGroup);
        _room = await _school.Get<RoomHosts>().GetAsync(_lesson.Id);
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task The_lesson_knows_what_waits_on_a_board_that_its_author_has_left_and_forgets_it_when_it_is_decided()
    {
        await _school.StudentAsync(_lesson.Code, "Maya");
        var board = await GroupBoardAsync("Arches", 2);
        await WriteAsync(board, s_maya);
        await CommandAsync(new SetGroups([], 1));
        await WriteAsync(board, s_maya with { HasLeft = true });
        await Eventually.IsAsync(async () => (await WaitingAsync()).SequenceEqual([new WorkWaits(board.Id, 2, 1)]));

        var number = 0L;
        await board.LookAsync(r => number = ((Board)r).SetAside.Keys.Single(), Stop);
        await board.SubmitAsync(new AcceptLateWork(number), Actor.Program, Stop);
        await Eventually.IsAsync(async () => (await WaitingAsync()).Count == 0);
    }

    [Fact]
    public async Task A_dissolved_group_is_found_by_its_name_and_goes_on_with_its_work()
    {
        await _school.StudentAsync(_lesson.Code, "Maya");
        await _school.StudentAsync(_lesson.Code, "Ben");
        var board = await GroupBoardAsync("Arches", 2, 3);
        await WriteAsync(board, s_maya);
        await CommandAsync(new SetGroups([new Group(2, "Beams", [3])], 1));
        var page = await _varga.GetStringAsync($"/lesson/{_lesson.Id}/boards", Stop);
        Assert.Contains("Arches (dissolved)", page, StringComparison.Ordinal);
        await Eventually.IsAsync(async () => (await _varga.GetStringAsync($"/lesson/{_lesson.Id}/boards", Stop)).Contains("Last worked on ", StringComparison.Ordinal));
        using var answer = await TestSchool.PostAsync(_varga, $"/lesson/{_lesson.Id}/boards", new() { ["group"] = "1" }, $"/lesson/{_lesson.Id}/boards?handler=TakeUp");
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);

        // Ben leaves the group in which he was meanwhile.
        var groups = new List<Group>();
        await _room.LookAsync(r => groups = [.. ((Lesson)r).Grouping.Now], Stop);
        Assert.Equal([2, 3], groups.Single(g => g.Number == 1).People.Order());
        Assert.Equal("Arches", groups.Single(g => g.Number == 1).Name);
        Assert.Empty(groups.Single(g => g.Number == 2).People);
        Assert.Equal(board.Id, (await GroupBoardAsync()).Id);
    }

    [Fact]
    public async Task Whoever_was_made_up_is_sent_away_in_one_act_and_those_who_have_written_stay()
    {
        var joining = _school.Get<Joining>();
        for (var i = 0; i <= Flood.Many + 5; i++) Assert.NotNull((await joining.JoinAsync(_lesson, $"Nobody {i}")).Participant);
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        var board = await _school.BoardOfAsync(await db.Participants.SingleAsync(p => p.LessonId == _lesson.Id && p.Number == 2, Stop));
        await WriteAsync(await _school.Get<RoomHosts>().GetAsync(board), s_maya);

        using var answer = await TestSchool.PostAsync(_varga, $"/lesson/{_lesson.Id}", [], $"/lesson/{_lesson.Id}?handler=SendAway");
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
        var (inside, door) = (0, Door.Open);
        await _room.LookAsync(r => (inside, door) = (((Lesson)r).People.Values.Count(p => p.Standing == Standing.In), ((Lesson)r).Door), Stop);
        Assert.Equal((1, Door.Closed), (inside, door));
    }

    [Fact]
    public async Task Nothing_more_is_taken_from_who_was_taken_out()
    {
        var (browser, address) = await _school.StudentAsync(_lesson.Code, "Maya");
        var board = address.Split('/', '?')[2];
        await CommandAsync(new RemovePerson(2));
        var token = TestSchool.TokenIn(await browser.GetStringAsync($"/join/{_lesson.Code}?new=true", Stop));
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{board}/leftovers?{address.Split('?')[1]}") { Content = new ByteArrayContent([0x90]) };
        request.Headers.Add("RequestVerificationToken", token);
        using var answer = await browser.SendAsync(request, Stop);
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        var door = await browser.GetStringAsync($"/join/{_lesson.Code}?{address.Split('?')[1]}", Stop);
        Assert.Contains("Your work is safe", door, StringComparison.Ordinal);
    }

    private async Task<RoomHost> GroupBoardAsync(string name = "", params int[] people)
    {
        if (people.Length > 0) await CommandAsync(new SetGroups([new Group(1, name, [.. people])], 0));
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        return await _school.Get<RoomHosts>().GetAsync(await Seating.RoomAsync(db, _lesson, new(1, Whose.Group, 1)));
    }

    private async Task<List<WorkWaits>> WaitingAsync()
    {
        List<WorkWaits> waiting = [];
        await _room.LookAsync(r => waiting = [.. ((Lesson)r).Waiting], Stop);
        return waiting;
    }

    private async Task CommandAsync(Command command)
    {
        var (_, envelope) = await _room.SubmitAsync(command, Actor.Program, Stop);
        Assert.NotNull(envelope);
        await Eventually.IsAsync(async () =>
        {
            var through = 0L;
            await _room.LookAsync(r => through = ((Lesson)r).SeatsThrough, Stop);
            return through >= envelope.Number;
        });
    }

    // Under a client number of their own, taken before they left.
    private static async Task WriteAsync(RoomHost board, Actor actor)
    {
        var (client, counter) = (0, 0);
        await board.LookAsync(r => client = r.Clients.Where(c => c.Value.Actor == actor.Number).Select(c => c.Key).FirstOrDefault(), Stop);
        if (client == 0) client = ((ClientAdmitted)(await board.SubmitAsync(new AdmitClient(), actor, Stop)).Envelope!.Event).Number;
        await board.LookAsync(r => counter = r.Clients[client].HighWater, Stop);
        var id = Ids.Of(client, counter + 1);
        var (decision, _) = await board.SubmitAsync(
            new Submission(client, counter + 1, counter, id, new AddMark(id, 1, Grip.Own, new InkBody([new InkPoint(0, 0, 128, 0), new InkPoint(500, 0, 128, 9)]), new Style(0, 60))), actor, Stop);
        Assert.IsType<Decision.Accepted>(decision);
    }
}
