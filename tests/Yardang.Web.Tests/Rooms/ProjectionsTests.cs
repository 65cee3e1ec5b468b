using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Rooms;

/// <summary>What lists know of drafts and boards without loading them.</summary>
public sealed class ProjectionsTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private Guid _teacher;
    private ActivityRecord _activity = null!;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private Projections Projections => _school.Get<Projections>();

    private RoomHosts Hosts => _school.Get<RoomHosts>();

    public async ValueTask InitializeAsync()
    {
        (_, _teacher) = await _school.TeacherAsync("Ilse Varga");
        _activity = await _school.Get<ActivityMaking>().CreateAsync(_teacher, ActivityContent.Blank("en", "What holds a bridge up?"));
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task A_new_name_is_on_the_desk_at_once()
    {
        await RenameAsync("Arches");
        Assert.Equal("Arches", Assert.Single(await _school.Get<ActivityShelf>().FindAsync(_teacher, null, null)).Record.Name);
    }

    [Fact]
    public async Task The_desk_loads_no_draft()
    {
        await Projections.TickAsync();
        await Hosts.DropAsync(_activity.DraftId);
        Assert.Equal("What holds a bridge up?", Assert.Single(await _school.Get<ActivityShelf>().FindAsync(_teacher, "bridge", null)).Record.Name);
        Assert.Null(await Hosts.FindLoadedAsync(_activity.DraftId));
    }

    [Fact]
    public async Task What_a_crash_left_out_is_made_up_for()
    {
        await Projections.TickAsync();
        await RenameAsync("Arches");
        await Hosts.DropAsync(_activity.DraftId);
        await using (var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop))
        {
            await db.Activities.ExecuteUpdateAsync(a => a.SetProperty(x => x.Name, "What holds a bridge up?").SetProperty(x => x.IndexedThrough, 1), Stop);
        }

        await Projections.CatchUpAsync(Stop);
        Assert.Equal("Arches", Assert.Single(await _school.Get<ActivityShelf>().FindAsync(_teacher, null, null)).Record.Name);
    }

    [Fact]
    public async Task A_boards_summary_says_who_did_something_last_where_and_what_lies_in_a_zone()
    {
        var zone = new Mark(1L << 52, 1, 1, ByStaff: true, Grip.Printed, 1, new ZoneBody(ShapeKind.Polygon, [0, 0, 9_000, 0, 9_000, 9_000, 0, 9_000], Texts.In("en", "Bank")), new Style(0, 0, 1), Place.AsDrawn, [], Erased: false);
        var activity = await _school.Get<ActivityMaking>().CreateAsync(_teacher, ActivityContent.Blank("en", "Banks") with { Marks = [zone] });
        var lesson = await _school.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber"), "en");
        var (participant, _) = await _school.Get<Joining>().JoinAsync(lesson, "Maya");
        Assert.NotNull(participant);
        Assert.DoesNotContain(await _school.BoardOfAsync(participant), (await _school.Get<BoardSummaries>().OfAsync(lesson.Id)).Keys);

        var board = await Hosts.GetAsync(await _school.BoardOfAsync(participant));
        var maya = new Actor(participant.Number, Role.Student);
        var client = ((ClientAdmitted)(await board.SubmitAsync(new Submission(0, 0, 0, 0, new AdmitClient()), maya, Stop)).Envelope!.Event).Number;
        await DrawAsync(1, 1_000);
        await DrawAsync(2, 20_000);
        await Projections.TickAsync();

        var summary = (await _school.Get<BoardSummaries>().OfAsync(lesson.Id))[await _school.BoardOfAsync(participant)];
        Assert.Equal((board.Durable, summary.LastActivity), (summary.Through, summary.Acts.Single().At));
        Assert.Equal((participant.Number, 1), (summary.Acts.Single().Person, summary.Acts.Single().Page));
        Assert.Equal(new Core.Boards.ZoneCount(zone.Id, 1), Assert.Single(summary.Zones));

        async Task DrawAsync(int counter, int x)
        {
            var add = new AddMark(Ids.Of(client, counter), 1, Grip.Own, new InkBody([new InkPoint(x, 1_000, 128, 0), new InkPoint(x + 400, 1_400, 128, 30)]), new Style(0, 80));
            Assert.IsType<Decision.Accepted>((await board.SubmitAsync(new Submission(client, counter, counter - 1, Ids.Of(client, counter), add), maya, Stop)).Decision);
        }
    }

    [Fact]
    public async Task A_board_that_only_the_program_follows_is_put_away_and_comes_back_as_it_was()
    {
        var lesson = await _school.Get<Handing>().HandOutAsync(_activity, new HandOutOrder("7 Amber"), "en");
        var (participant, _) = await _school.Get<Joining>().JoinAsync(lesson, "Maya");
        Assert.NotNull(participant);
        var board = await Hosts.GetAsync(await _school.BoardOfAsync(participant));
        await board.SubmitAsync(new Submission(0, 0, 0, 0, new AdmitClient()), new Actor(participant.Number, Role.Student), Stop);
        Assert.NotNull(await Hosts.FindLoadedAsync(board.Id));

        await Hosts.PutAwayAsync(TimeSpan.Zero);
        Assert.True(board.Finished.IsCancellationRequested);
        Assert.Null(await Hosts.FindLoadedAsync(board.Id));
        Assert.Equal(1, (await Hosts.GetAsync(board.Id)).Durable);
    }

    private async Task RenameAsync(string name)
    {
        var draft = await Hosts.GetAsync(_activity.DraftId);
        var client = ((ClientAdmitted)(await draft.SubmitAsync(new Submission(0, 0, 0, 0, new AdmitClient()), Actor.Owner, Stop)).Envelope!.Event).Number;
        var rename = new MakeChanges([new Naming(Texts.In("en", name))]);
        Assert.IsType<Decision.Accepted>((await draft.SubmitAsync(new Submission(client, 1, 0, Ids.Of(client, 1), rename), Actor.Owner, Stop)).Decision);
    }
}
