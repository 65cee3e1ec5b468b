using System.Collections.Immutable;
using System.Net;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Lessons;

/// <summary>What is handed out while a lesson runs reaches those it is meant for, now or when they come; and lessons open, are due and close by the clock.</summary>
public sealed class LateHandingTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private HttpClient _teacher = null!;
    private ActivityRecord _activity = null!;
    private LessonRecord _lesson = null!;

    private RoomHosts Hosts => _school.Get<RoomHosts>();

    public async ValueTask InitializeAsync()
    {
        (_teacher, var id) = await _school.TeacherAsync("Ilse Varga");
        (_activity, _lesson) = await _school.HandOutAsync(id);
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task A_new_page_reaches_who_is_in_who_was_away_and_who_comes_later()
    {
        var maya = BoardOf((await _school.StudentAsync(_lesson.Code, "Maya")).Board);
        var ben = BoardOf((await _school.StudentAsync(_lesson.Code, "Ben")).Board);
        await Hosts.GetAsync(maya);
        var page = await AddPageAsync("Build it");
        using (await PostAsync(new() { ["pages"] = $"{page}", ["some"] = "false" })) await UntilAsync(async () => (await PagesOfAsync(maya)).Contains(page));
        Assert.Contains(page, await PagesOfAsync(ben));
        Assert.Contains(page, await PagesOfAsync(BoardOf((await _school.StudentAsync(_lesson.Code, "Amina")).Board)));
        Assert.Contains(page, await PagesOfAsync(await TeachersBoardAsync()));
        Assert.DoesNotContain("Build it", await FormAsync());
    }

    [Fact]
    public async Task A_corrected_answer_key_reaches_the_boards_for_teachers_only_and_goes_back_with_it()
    {
        var maya = BoardOf((await _school.StudentAsync(_lesson.Code, "Maya")).Board);
        await AddKeyAsync("it squeezes");
        var page = await FirstPageAsync();
        using (await PostAsync(new() { ["pages"] = $"{page}" })) await UntilAsync(async () => (await KeyOfAsync(maya)).SequenceEqual(["it squeezes"]));
        Assert.DoesNotContain("it squeezes", System.Text.Encoding.UTF8.GetString(await SnapshotAsync(maya, new Actor(2, Role.Student))), StringComparison.Ordinal);
        Assert.Contains("it squeezes", System.Text.Encoding.UTF8.GetString(await SnapshotAsync(maya, Actor.Owner)), StringComparison.Ordinal);

        // Put away and taken up again, nothing is said twice.
        await Hosts.PutAwayAsync(TimeSpan.Zero);
        var number = 0L;
        await (await Hosts.GetAsync(maya)).LookAsync(r => number = r.Number, Stop);
        await Hosts.PutAwayAsync(TimeSpan.Zero);
        await (await Hosts.GetAsync(maya)).LookAsync(r => Assert.Equal(number, r.Number), Stop);

        using (await TestSchool.PostAsync(_teacher, $"/lesson/{_lesson.Id}/late", new() { ["number"] = "1" }, $"/lesson/{_lesson.Id}/late?handler=Back"))
        {
            await UntilAsync(async () => !(await KeyOfAsync(maya)).Any());
        }
    }

    [Fact]
    public async Task Some_get_it_and_the_others_do_not()
    {
        var maya = BoardOf((await _school.StudentAsync(_lesson.Code, "Maya")).Board);
        var ben = BoardOf((await _school.StudentAsync(_lesson.Code, "Ben")).Board);
        var page = await AddPageAsync("Build it");
        using (await PostAsync(new() { ["pages"] = $"{page}", ["some"] = "true", ["people"] = "2" })) await UntilAsync(async () => (await PagesOfAsync(maya)).Contains(page));
        Assert.DoesNotContain(page, await PagesOfAsync(ben));

        // Who has not got it can still be given it.
        Assert.Contains("Build it", await FormAsync());
    }

    [Fact]
    public async Task Taken_back_it_is_gone_from_all_boards_and_can_be_handed_out_again()
    {
        var maya = BoardOf((await _school.StudentAsync(_lesson.Code, "Maya")).Board);
        var page = await AddPageAsync("Build it");
        using (await PostAsync(new() { ["pages"] = $"{page}" })) await UntilAsync(async () => (await PagesOfAsync(maya)).Contains(page));
        using (await TestSchool.PostAsync(_teacher, $"/lesson/{_lesson.Id}/late", new() { ["number"] = "1" }, $"/lesson/{_lesson.Id}/late?handler=Back"))
        {
            await UntilAsync(async () => !(await PagesOfAsync(maya)).Contains(page));
        }

        using (await PostAsync(new() { ["pages"] = $"{page}" })) await UntilAsync(async () => (await PagesOfAsync(maya)).Contains(page));
    }

    [Fact]
    public async Task Things_from_the_teachers_board_are_copied_to_those_they_are_meant_for()
    {
        var maya = BoardOf((await _school.StudentAsync(_lesson.Code, "Maya")).Board);
        var mine = await TeachersBoardAsync();
        var mark = await DrawAsync(mine, Actor.Owner);
        using (await PostAsync(new() { ["board"] = $"{mine}", ["marks"] = $"{mark}", ["loose"] = "true", ["some"] = "true", ["people"] = "2" }, $"?board={mine}&marks={mark}"))
        {
            await UntilAsync(async () => (await MarksOfAsync(maya)).Length == 1);
        }

        Assert.Equal(Grip.Loose, (await MarksOfAsync(maya))[0].Grip);
        Assert.Single(await MarksOfAsync(mine));
    }

    [Fact]
    public async Task What_was_handed_out_is_still_there_after_the_board_was_put_away()
    {
        var maya = BoardOf((await _school.StudentAsync(_lesson.Code, "Maya")).Board);
        var page = await AddPageAsync("Build it");
        using (await PostAsync(new() { ["pages"] = $"{page}" })) await UntilAsync(async () => (await PagesOfAsync(maya)).Contains(page));
        await Hosts.PutAwayAsync(TimeSpan.Zero);
        Assert.Contains(page, await PagesOfAsync(maya));
    }

    [Theory]
    [InlineData("some", "true", "at least one group or person")]
    [InlineData("some", "false", "at least one page")]
    public async Task A_form_that_says_too_little_is_told_what_is_missing(string field, string value, string said)
    {
        await AddPageAsync("Build it");
        using var answer = await PostAsync(new() { [field] = value });
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains(said, await answer.Content.ReadAsStringAsync(Stop));
    }

    [Fact]
    public async Task Another_teacher_hands_nothing_out_here()
    {
        var (other, _) = await _school.TeacherAsync("Tobi Adeyemi");
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync($"/lesson/{_lesson.Id}/late", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync($"/lesson/{_lesson.Id}/times", Stop)).StatusCode);
    }

    [Fact]
    public async Task Before_a_lesson_opens_students_wait_and_see_no_board_and_then_they_do()
    {
        await SetAsync(new LessonTimes(OpensAt: Now + 60_000));
        await UntilAsync(async () => (await LessonAsync()).Waits);
        var (maya, place) = await _school.StudentAsync(_lesson.Code, "Maya");
        Assert.StartsWith("/join/", place);
        Assert.Contains("opens on", await maya.GetStringAsync(place, Stop));
        await using var db = await SchoolAsync();
        var me = await db.Participants.SingleAsync(Stop);
        Assert.Equal(HttpStatusCode.NotFound, (await maya.GetAsync($"/rooms/{await _school.BoardOfAsync(me)}/snapshot?as={me.Id}", Stop)).StatusCode);

        await SetAsync(new LessonTimes());
        await UntilAsync(async () => !(await LessonAsync()).Waits);
        Assert.Equal(HttpStatusCode.OK, (await maya.GetAsync($"/rooms/{await _school.BoardOfAsync(me)}/snapshot?as={me.Id}", Stop)).StatusCode);
        Assert.StartsWith("/board/", (await maya.GetAsync($"/here?as={me.Id}", Stop)).Headers.Location!.ToString());
    }

    [Fact]
    public async Task The_clock_opens_a_lesson_says_that_it_is_due_and_closes_it()
    {
        await using (var db = await SchoolAsync())
        {
            await _school.Get<Handing>().HandOutAsync(_activity, new HandOutOrder("7 Amber", Times: new LessonTimes(OpensAt: Now + 1, DueAt: Now + 2, ClosesAt: Now + 3, HandsIn: true)), "en");
            _lesson = (await db.Lessons.ToListAsync(Stop)).MaxBy(l => l.HandedOutAt)!;
        }

        await UntilAsync(async () =>
        {
            await _school.Get<LessonClock>().TickAsync();
            return await LessonAsync() is { Waits: false, IsOverdue: true, ClosedAt: not null };
        });
    }

    [Fact]
    public async Task Times_that_are_out_of_order_are_refused_and_stay_in_the_form()
    {
        using var answer = await TestSchool.PostAsync(_teacher, $"/lesson/{_lesson.Id}/times", new() { ["opens"] = "2026-12-03T09:00", ["due"] = "2026-12-02T09:00" });
        var page = await answer.Content.ReadAsStringAsync(Stop);
        Assert.Contains("has to open before", page);
        Assert.Contains("2026-12-02T09:00", page);
        Assert.Null((await LessonAsync()).OpensAt);
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static long Now => TimeProvider.System.GetUtcNow().ToUnixTimeMilliseconds();

    private static Guid BoardOf(string address) => Guid.Parse(address.Split('/', '?')[2]);

    private static async Task UntilAsync(Func<Task<bool>> holds)
    {
        await Eventually.IsAsync(async () => await holds());
    }

    private Task<SchoolContext> SchoolAsync() => _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);

    private async Task<LessonRecord> LessonAsync()
    {
        await using var db = await SchoolAsync();
        return await db.Lessons.SingleAsync(l => l.Id == _lesson.Id, Stop);
    }

    private async Task<string> FormAsync()
    {
        var page = await _teacher.GetStringAsync($"/lesson/{_lesson.Id}/late", Stop);
        return page[..page.IndexOf("page-data", StringComparison.Ordinal)];
    }

    private Task<HttpResponseMessage> PostAsync(Dictionary<string, string> fields, string query = "") =>
        TestSchool.PostAsync(_teacher, $"/lesson/{_lesson.Id}/late{query}", fields, $"/lesson/{_lesson.Id}/late");

    private async Task SetAsync(LessonTimes times) => await (await Hosts.GetAsync(_lesson.Id)).SubmitAsync(new SetTimes(times), Actor.Program);

    private async Task<Guid> TeachersBoardAsync()
    {
        await using var db = await SchoolAsync();
        return await Seating.RoomAsync(db, _lesson, new(1, Whose.Teacher, 0));
    }

    private async Task<long> AddPageAsync(string name)
    {
        var draft = await Hosts.GetAsync(_activity.DraftId);
        var client = ((ClientAdmitted)(await draft.SubmitAsync(new AdmitClient(), Actor.Owner, Stop)).Envelope!.Event).Number;
        var id = Ids.Of(client, 1);
        var page = new Page(id, Texts.In("en", name), PageSize.A4Wide, Paper.Plain);
        Assert.NotNull((await draft.SubmitAsync(new Submission(client, 1, 0, id, new AddPage(page, 2)), Actor.Owner, Stop)).Envelope);
        return id;
    }

    private async Task<long> DrawAsync(Guid board, Actor actor)
    {
        var host = await Hosts.GetAsync(board);
        var client = ((ClientAdmitted)(await host.SubmitAsync(new AdmitClient(), actor, Stop)).Envelope!.Event).Number;
        var id = Ids.Of(client, 1);
        var note = new NoteBody(1_000, 1_000, 5_000, 5_000, new Words("a counter", "en", ["a counter"], 700));
        Assert.NotNull((await host.SubmitAsync(new Submission(client, 1, 0, id, new AddMark(id, 1, Grip.Own, note, new Style(0, 0))), actor, Stop)).Envelope);
        return id;
    }

    private async Task AddKeyAsync(string answer)
    {
        var draft = await Hosts.GetAsync(_activity.DraftId);
        var client = ((ClientAdmitted)(await draft.SubmitAsync(new AdmitClient(), Actor.Owner, Stop)).Envelope!.Event).Number;
        var id = Ids.Of(client, 1);
        var note = new NoteBody(1_000, 1_000, 5_000, 5_000, new Words(answer, "en", [answer], 700));
        Assert.NotNull((await draft.SubmitAsync(new Submission(client, 1, 0, id, new AddMark(id, await FirstPageAsync(), Grip.Key, note, new Style(0, 0))), Actor.Owner, Stop)).Envelope);
    }

    private async Task<long> FirstPageAsync()
    {
        var page = 0L;
        await (await Hosts.GetAsync(_activity.DraftId)).LookAsync(r => page = ((Core.Drafts.Draft)r).Sheets.Pages[0].Id, Stop);
        return page;
    }

    private async Task<IReadOnlyList<string>> KeyOfAsync(Guid board)
    {
        List<string> key = [];
        await (await Hosts.GetAsync(board)).LookAsync(r => key = [.. ((Board)r).Sheets.Marks.Values.Where(m => m.Grip == Grip.Key).Select(m => m.Words!.Text)], Stop);
        return key;
    }

    private async Task<byte[]> SnapshotAsync(Guid board, Actor reader)
    {
        byte[] snapshot = [];
        await (await Hosts.GetAsync(board)).LookAsync(r => snapshot = SnapshotCodec.Encode(r, reader), Stop);
        return snapshot;
    }

    private async Task<ImmutableArray<long>> PagesOfAsync(Guid board)
    {
        ImmutableArray<long> pages = [];
        await (await Hosts.GetAsync(board)).LookAsync(r => pages = [.. ((Board)r).Sheets.Pages.Select(p => p.Id)], Stop);
        return pages;
    }

    private async Task<ImmutableArray<Mark>> MarksOfAsync(Guid board)
    {
        ImmutableArray<Mark> marks = [];
        await (await Hosts.GetAsync(board)).LookAsync(r => marks = [.. ((Board)r).Sheets.Visible(1)], Stop);
        return marks;
    }
}
