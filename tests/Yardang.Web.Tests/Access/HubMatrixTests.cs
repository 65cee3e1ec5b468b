using System.Net;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Yardang.Core.Boards;
using Yardang.Core.Drafts;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Needs;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Access;

/// <summary>Every method of the hub against everybody.</summary>
public class HubMatrixTests
{
    [Fact]
    public async Task Each_method_of_the_hub_is_there_for_those_who_have_a_right_to_it_and_for_nobody_else()
    {
        await using var school = new TestSchool();
        var s = await AccessScene.CreateAsync(school);
        var wrong = new List<string>();
        foreach (var (who, (_, asQuery)) in s.Visitors)
        {
            // Who has no business here does not even get a connection.
            await using var hub = await s.FindHubAsync(who, asQuery);
            if ((hub is null) != (who == Who.Anonymous)) wrong.Add($"{who} connects: {hub is not null}");
            if (hub is null) continue;
            foreach (var (room, name, look, write) in RoomsOf(s))
            {
                var admitted = await SucceedsAsync(() => hub.InvokeAsync<int>("Admit", room.ToString(), TestContext.Current.CancellationToken));
                if (admitted != write.Contains(who)) wrong.Add($"{who} Admit to {name}: {admitted}");
                var watched = await SucceedsAsync(async () =>
                {
                    // A reader gets a frame at once if there is anything: ask for all of it.
                    var frames = hub.StreamAsync<byte[]>("Watch", room.ToString(), 0L, TestContext.Current.CancellationToken).GetAsyncEnumerator(TestContext.Current.CancellationToken);
                    Assert.True(await frames.MoveNextAsync(), "The stream ended without a frame.");
                    if (frames.Current.Length == 2) throw new HubException("recalled");
                });
                if (watched != look.Contains(who)) wrong.Add($"{who} Watch {name}: {watched}");
            }
        }

        Assert.Empty(wrong);
    }

    [Fact]
    public async Task What_is_written_counts_and_what_is_shown_in_passing_is_shown_only_from_those_who_may_write()
    {
        await using var school = new TestSchool();
        var s = await AccessScene.CreateAsync(school);
        var wrong = new List<string>();
        foreach (var (who, (_, asQuery)) in s.Visitors)
        {
            await using var hub = await s.FindHubAsync(who, asQuery);
            if (hub is null) continue;
            foreach (var (room, name, _, write) in RoomsOf(s))
            {
                var host = await school.Get<RoomHosts>().GetAsync(room);
                var counts = await CountsAsync(hub, host, who);
                if (counts != write.Contains(who)) wrong.Add($"{who} Submit to {name}: {counts}");
                var isShown = await IsShownAsync(hub, host);
                // In the lesson's room nobody shows anything but who leads.
                var mayShow = write.Contains(who) && (host.Kind != RoomKind.Lesson || !People.Students.Contains(who));
                if (isShown != mayShow) wrong.Add($"{who} Preview in {name}: {isShown}");
                await SucceedsAsync(() => hub.InvokeAsync("Turned", room.ToString(), 9L, TestContext.Current.CancellationToken));
                var isNoted = People.Students.Contains(who) && school.Get<Whereabouts>().Of(room, NumberOf(who)).Page == 9;
                if (isNoted != (host.Kind == RoomKind.Board && People.Students.Contains(who) && write.Contains(who))) wrong.Add($"{who} Turned in {name}: {isNoted}");
            }
        }

        Assert.Empty(wrong);
    }

    [Fact]
    public async Task No_refusal_of_anybody_changes_what_anybody_else_can_do()
    {
        await using var school = new TestSchool();
        var s = await AccessScene.CreateAsync(school);
        await using var maya = await s.HubAsync(Who.BoardsStudent, s.Visitors[Who.BoardsStudent].As);
        var client = await maya.InvokeAsync<int>("Admit", s.Board.ToString(), TestContext.Current.CancellationToken);
        var refused = new List<Refusal>();
        maya.On<string, int, int, int, int>("Refused", (_, _, _, reason, _) => refused.Add((Refusal)reason));
        var host = await school.Get<RoomHosts>().GetAsync(s.Board);

        // Everybody else names her tab and her next commands, as people and as onlookers, and is refused.
        await s.SeeOthersAsync(school);
        var attackers = s.Visitors.Where(v => v.Key is not (Who.Anonymous or Who.BoardsStudent)).Select(v => (v.Key, v.Value.As))
            .Append((Who.InAnotherGroup, $"{s.Visitors[Who.InAnotherGroup].As}&look=1"))
            .Append((Who.BoardsStudent, $"{s.Visitors[Who.BoardsStudent].As}&look=1"))
            .Append((Who.Anonymous, $"?embed={s.EmbedKey}"));
        foreach (var (who, query) in attackers)
        {
            await using var hub = await s.HubAsync(who, query);
            for (var counter = 1; counter <= 3; counter++)
            {
                await hub.InvokeAsync("Submit", s.Board.ToString(), CommandCodec.Encode(new Submission(client, counter, counter - 1, 0, new AddMark(Ids.Of(client, counter), 99, Grip.Printed, new NoteBody(0, 0, 1, 1, new Words("", "en", [], 1)), new Style(0, 0)))), TestContext.Current.CancellationToken);
            }
        }

        for (var counter = 1; counter <= 3; counter++)
        {
            await maya.InvokeAsync("Submit", s.Board.ToString(), CommandCodec.Encode(new Submission(client, counter, counter - 1, 0, new AddMark(Ids.Of(client, counter), 1, Grip.Own, new NoteBody(0, 0, 4_000, 4_000, new Words("mine", "en", ["mine"], 700)), new Style(0, 0)))), TestContext.Current.CancellationToken);
        }

        var kept = 0;
        await Eventually.IsAsync(async () =>
        {
            await host.LookAsync(r => kept = ((Board)r).Sheets.Marks.Values.Count(m => !m.ByStaff && m.Words?.Text == "mine"), TestContext.Current.CancellationToken);
            return kept == 3 || refused.Count > 0;
        });
        Assert.Empty(refused);
    }

    [Fact]
    public async Task A_connection_comes_from_a_page_of_this_server_or_from_no_page()
    {
        await using var school = new TestSchool();
        var s = await AccessScene.CreateAsync(school);
        async Task<HttpStatusCode> AskAsync(string? origin)
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, "/live/negotiate?negotiateVersion=1");
            if (origin is not null) request.Headers.Add("Origin", origin);
            using var answer = await s.Visitors[Who.Owner].Browser.SendAsync(request, TestContext.Current.CancellationToken);
            return answer.StatusCode;
        }

        Assert.Equal(HttpStatusCode.OK, await AskAsync(null));
        Assert.Equal(HttpStatusCode.OK, await AskAsync($"http://{s.Address.Authority}"));
        Assert.Equal(HttpStatusCode.Forbidden, await AskAsync("https://elsewhere.example"));
        Assert.Equal(HttpStatusCode.Forbidden, await AskAsync("null"));
    }

    [Fact]
    public async Task Who_only_watches_sends_nothing_that_counts()
    {
        await using var school = new TestSchool();
        var s = await AccessScene.CreateAsync(school);
        await using var hub = await s.HubAsync(Who.CoTeacherWhoWatches, "");
        var refused = new TaskCompletionSource<int>();
        hub.On<string, int, int, int, int>("Refused", (_, _, _, reason, _) => refused.TrySetResult(reason));
        await hub.InvokeAsync("Submit", s.Lesson.Id.ToString(), CommandCodec.Encode(new Submission(1, 1, 0, 0, new SetPens(true))), TestContext.Current.CancellationToken);
        Assert.Equal((int)Refusal.NotAllowed, await refused.Task);
    }

    [Fact]
    public async Task A_co_teacher_who_is_taken_out_is_out_at_once_also_on_an_open_screen()
    {
        await using var school = new TestSchool();
        var s = await AccessScene.CreateAsync(school);
        await using var hub = await s.HubAsync(Who.CoTeacherWhoRuns, "");
        var frames = hub.StreamAsync<byte[]>("Watch", s.Lesson.Id.ToString(), 0L, TestContext.Current.CancellationToken).GetAsyncEnumerator(TestContext.Current.CancellationToken);
        Assert.True(await frames.MoveNextAsync());
        var coTeaching = school.Get<CoTeaching>();
        var shared = (await coTeaching.FindAsync(s.Lesson.Id))!;
        await coTeaching.RemoveAsync(shared, (await coTeaching.OfAsync(s.Lesson.Id)).Single(c => c.Record.Role == CoTeacherRole.Runs).Record.Id);
        while (frames.Current.Length != 2) Assert.True(await frames.MoveNextAsync());
        await Assert.ThrowsAsync<HubException>(() => hub.InvokeAsync<int>("Admit", s.Board.ToString(), TestContext.Current.CancellationToken));
        Assert.Equal(HttpStatusCode.NotFound, (await s.Visitors[Who.CoTeacherWhoRuns].Browser.GetAsync($"/lesson/{s.Lesson.Id}", TestContext.Current.CancellationToken)).StatusCode);
    }

    private static async Task<bool> SucceedsAsync(Func<Task> act)
    {
        try
        {
            await act();
            return true;
        }
        catch (HubException)
        {
            return false;
        }
    }

    // Who reads and who writes in each room of the scene.
    private static (Guid Room, string Name, Who[] Look, Who[] Write)[] RoomsOf(AccessScene s) =>
    [
        (s.Lesson.Id, "lesson", [.. People.Staff, Who.BoardsStudent, Who.InTheGroup, Who.InAnotherGroup], [.. People.Run, Who.BoardsStudent, Who.InTheGroup, Who.InAnotherGroup]),
        (s.Board, "board", [.. People.Staff, Who.BoardsStudent], [.. People.Run, Who.BoardsStudent]),
        (s.GroupBoard, "group's board", [.. People.Staff, Who.InTheGroup], [.. People.Run, Who.InTheGroup]),
        (s.Activity.DraftId, "draft", People.Staff, People.Run),
    ];

    // Under a number of its own, or, where it gets none, under one that somebody else may have.
    private static async Task<bool> CountsAsync(HubConnection hub, RoomHost host, Who who)
    {
        var answer = new TaskCompletionSource<bool>(TaskCreationOptions.RunContinuationsAsynchronously);
        using var refused = hub.On<string, int, int, int, int>("Refused", (_, _, _, _, _) => answer.TrySetResult(false));
        var client = 0;
        if (!await SucceedsAsync(async () => client = await hub.InvokeAsync<int>("Admit", host.Id.ToString(), TestContext.Current.CancellationToken))) client = 1;
        var (page, after) = (0L, 0L);
        await host.LookAsync(
            r =>
            {
                after = r.Number;
                page = r switch { Board b => b.Sheets.Pages[0].Id, Draft d => d.Sheets.Pages[0].Id, _ => 0 };
            },
            TestContext.Current.CancellationToken);
        var isStaff = !People.Students.Contains(who);
        var id = Ids.Of(client, 1);
        Command command = page != 0 ? new AddMark(id, page, isStaff ? Grip.Loose : Grip.Own, new NoteBody(0, 0, 4_000, 4_000, new Words("idea", "en", ["idea"], 700)), new Style(0, 0))
            : isStaff ? new MaskNames(true)
            : new GiveSignal(NumberOf(who), Signal.HandUp, true);
        var watching = host.Watch(Actor.Owner, after);

        // The first frame greets.
        await host.NextFrameAsync(watching, TestContext.Current.CancellationToken);
        await hub.InvokeAsync("Submit", host.Id.ToString(), CommandCodec.Encode(new Submission(client, 1, 0, page != 0 ? id : 0, command)), TestContext.Current.CancellationToken);
        var told = host.NextFrameAsync(watching, TestContext.Current.CancellationToken);
        var counted = await Task.WhenAny(told, answer.Task) == told;
        host.Leave(watching);
        return counted;
    }

    private static async Task<bool> IsShownAsync(HubConnection hub, RoomHost host)
    {
        var onlooker = host.Watch(Actor.Onlooker, 0);
        await SucceedsAsync(() => hub.InvokeAsync("Preview", host.Id.ToString(), new byte[] { 1 }, TestContext.Current.CancellationToken));
        var isShown = onlooker.TryTakePreview(out _);
        host.Leave(onlooker);
        return isShown;
    }

    private static int NumberOf(Who who) => who switch { Who.BoardsStudent => 2, Who.InTheGroup => 3, Who.InAnotherGroup => 4, _ => 5 };
}
