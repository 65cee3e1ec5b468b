using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Drafts;
using Yardang.Core.Editing;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Walls;
using Yardang.Data.Wire;

namespace Yardang.Core.Tests.Drafts;

/// <summary>An activity has parts; what is planned for a wall is edited like the rest of a draft.</summary>
public class PartsTests
{
    private readonly Draft _draft = new();
    private readonly int _client;
    private int _counter;

    public PartsTests()
    {
        Do(new StartDraft(ActivityContent.BlankWall("en", "What we know about bridges")), Actor.Program);
        Do(new AdmitClient(), Actor.Owner);
        _client = _draft.Clients.Keys.Max();
    }

    [Fact]
    public void A_plan_is_kept_undone_and_done_again_like_any_other_change()
    {
        Plan(WallScript.Plan());
        Plan(WallScript.Plan() with { Topics = [] });
        Assert.Empty(Now.Topics);
        Do(new UndoGesture(_draft.Sheets.Journal.NextUndo(1)!.Id), Actor.Owner);
        Assert.Equal(2, Now.Topics.Length);
        Do(new RedoGesture(_draft.Sheets.Journal.NextRedo(1)!.Id), Actor.Owner);
        Assert.Empty(Now.Topics);
        Assert.Empty(_draft.Content().Steps[0].Wall!.Topics);
    }

    [Fact]
    public void A_plan_survives_a_snapshot_and_a_version()
    {
        Plan(WallScript.Plan());
        var copy = new Draft();
        Assert.True(SnapshotCodec.Restore(SnapshotCodec.Encode(_draft, Actor.Owner), copy));
        Assert.True(ActivityJson.AreSame(_draft.Content(), copy.Content()));
        Assert.True(ActivityJson.AreSame(_draft.Content(), ActivityJson.Read(ActivityJson.Write(_draft.Content()))));
    }

    [Fact]
    public void A_part_keeps_its_kind_and_a_plan_that_cannot_be_is_refused()
    {
        Assert.Equal(Refusal.OutOfRange, Try(new Dividing([Part.Pages])));
        Assert.Equal(Refusal.OutOfRange, Try(new Dividing([])));
        Assert.Equal(Refusal.OutOfRange, Try(new Dividing([_draft.Sheets.Parts[0], Part.Pages with { Number = 2 }])));
        Assert.Equal(Refusal.OutOfRange, Try(new Dividing([_draft.Sheets.Parts[0] with { Wall = WallScript.Plan(new(Least: 3, Most: 1)) }])));
        Assert.Equal(Refusal.NotAllowed, (Do(new AddPage(new Page(Ids.Of(_client, 40), Texts.None, PageSize.A4, Paper.Plain), 1), Actor.Owner, Ids.Of(_client, 40)) as Decision.Refused)?.Reason);
    }

    [Fact]
    public void What_has_no_parts_is_written_as_it_always_was()
    {
        var draft = new Draft();
        draft.Apply(new Envelope(1, 0, Actor.Program, 0, 0, 0, Audience.Everyone, new DraftStarted(ActivityContent.Blank("en", "Triangles in trusses"))));
        Assert.Null(draft.Content().Parts);
        Assert.DoesNotContain("parts"u8.ToArray(), ActivityJson.Write(draft.Content()));
    }

    [Fact]
    public void Pages_become_a_part_of_their_own_beside_the_wall_and_one_step_back_takes_both_away()
    {
        var gesture = AddPages(2);
        Assert.Equal([(1, PartKind.Wall), (2, PartKind.Pages)], _draft.Content().Steps.Select(p => (p.Number, p.Kind)));
        Assert.Equal(2, _draft.Content().Pages.Single().OfPart);
        Do(new UndoGesture(gesture), Actor.Owner);
        Assert.Empty(_draft.Content().Pages);
        Assert.Equal([1], _draft.Content().Steps.Select(p => p.Number));
        Do(new RedoGesture(gesture), Actor.Owner);
        Assert.Equal(2, _draft.Content().Steps.Length);
        Assert.Null(ContentRules.FaultIn(_draft.Content()));
    }

    [Fact]
    public void Each_part_of_pages_keeps_one_page_at_least()
    {
        AddPages(2);
        AddPages(3);
        var (second, third) = (_draft.Content().Pages.Single(p => p.OfPart == 2), _draft.Content().Pages.Single(p => p.OfPart == 3));
        Assert.Equal(Refusal.OutOfRange, Try(new PageErasing(second.Id, true)));
        Assert.Equal(Refusal.OutOfRange, Try(new PageErasing(third.Id, true)));
        Assert.Equal(Refusal.OutOfRange, Try(new Dividing([.. _draft.Sheets.Parts, Part.Pages with { Number = 4 }])));
    }

    [Fact]
    public void A_part_that_is_taken_out_takes_its_pages_along_and_comes_back_with_them()
    {
        AddPages(2);
        Assert.Null(Try(new Dividing([_draft.Sheets.Parts[0]])));
        Assert.Empty(_draft.Content().Pages);
        Assert.Null(ContentRules.FaultIn(_draft.Content()));
        Do(new UndoGesture(_draft.Sheets.Journal.NextUndo(1)!.Id), Actor.Owner);
        Assert.Single(_draft.Content().Pages);
    }

    [Fact]
    public void The_number_of_pages_that_were_taken_out_is_no_number_for_a_wall()
    {
        AddPages(2);
        Assert.Null(Try(new Dividing([_draft.Sheets.Parts[0]])));
        Assert.Equal(Refusal.OutOfRange, Try(new Dividing([_draft.Sheets.Parts[0], _draft.Sheets.Parts[0] with { Number = 2 }])));
        Assert.Null(Try(new Dividing([_draft.Sheets.Parts[0], _draft.Sheets.Parts[0] with { Number = 3 }])));
    }

    [Fact]
    public void Where_two_have_undone_different_things_no_part_is_left_that_students_could_not_open()
    {
        var gesture = AddPages(2);
        var other = new Actor(7, Role.Staff);
        Do(new AdmitClient(), other);
        var renamed = _draft.Sheets.Parts[1] with { Name = Texts.In("en", "Exit ticket") };
        var submission = new Submission(_draft.Clients.Keys.Max(), 1, 0, Ids.Of(_draft.Clients.Keys.Max(), 1), new MakeChanges([new Dividing([_draft.Sheets.Parts[0], renamed])]));
        _draft.Apply(new Envelope(_draft.Number + 1, 1, other, submission.Client, 1, submission.Gesture, Audience.Everyone, ((Decision.Accepted)_draft.Decide(submission, other, Situation.Open)).Event));
        Do(new UndoGesture(gesture), Actor.Owner);
        Assert.Equal(2, _draft.Sheets.Parts.Length);
        Assert.Equal([1], _draft.Content().Steps.Select(p => p.Number));
        Assert.Null(ContentRules.FaultIn(_draft.Content()));
    }

    [Fact]
    public void A_part_has_a_name_and_a_way_and_there_are_twelve_at_most()
    {
        var wall = _draft.Sheets.Parts[0];
        Assert.Null(Try(new Dividing([wall with { Name = Texts.In("en", "Everybody's wall"), Way = Way.ByGroup }])));
        Assert.Equal(Way.ByGroup, _draft.Content().Steps[0].WayOrUsual());
        Assert.Equal(Refusal.OutOfRange, Try(new Dividing([wall with { Name = Texts.In("en", new string('x', 121)) }])));
        Assert.Equal(Refusal.OutOfRange, Try(new Dividing([wall with { Way = (Way)9 }])));
        Assert.Equal(Refusal.OutOfRange, Try(new Dividing([wall with { Number = 100 }])));
        Assert.Null(Try(new Dividing([.. Enumerable.Range(1, 12).Select(n => wall with { Number = n })])));
        Assert.Equal(Refusal.OutOfRange, Try(new Dividing([.. Enumerable.Range(1, 13).Select(n => wall with { Number = n })])));
    }

    [Fact]
    public void A_board_of_a_part_has_its_pages_and_knows_nothing_of_the_others()
    {
        AddPages(2);
        AddPages(3);
        var board = _draft.Content().PagesOf(3);
        Assert.Equal(_draft.Content().Pages[1].Id, board.Pages.Single().Id);
        Assert.Null(board.Parts);
        Assert.Null(ContentRules.FaultIn(board));
    }

    private long AddPages(int part)
    {
        var gesture = Ids.Of(_client, 500 + part);
        Assert.IsType<Decision.Accepted>(Do(new AddPage(new Page(gesture, Texts.None, PageSize.A4, Paper.Plain, Part: part), part), Actor.Owner, gesture));
        Assert.IsType<Decision.Accepted>(Do(new MakeChanges([new Dividing([.. _draft.Sheets.Parts, new Part(part, PartKind.Pages)])]), Actor.Owner, gesture));
        return gesture;
    }

    private WallPlan Now => _draft.Sheets.Parts[0].Wall!;

    private void Plan(WallPlan plan) => Assert.Null(Try(new Dividing([_draft.Sheets.Parts[0] with { Wall = plan }])));

    private Refusal? Try(Change change) => (Do(new MakeChanges([change]), Actor.Owner, Ids.Of(_client, 100 + _counter)) as Decision.Refused)?.Reason;

    private Decision Do(Command command, Actor actor, long gesture = 0)
    {
        var counter = actor == Actor.Program || command is AdmitClient ? 0 : ++_counter;
        var submission = new Submission(counter == 0 ? 0 : _client, counter, Math.Max(0, counter - 1), gesture, command);
        var decision = _draft.Decide(submission, actor, Situation.Open);
        if (decision is Decision.Accepted accepted) _draft.Apply(new Envelope(_draft.Number + 1, 1, actor, submission.Client, counter, gesture, accepted.Audience, accepted.Event));
        else if (counter > 0) _counter--;
        return decision;
    }
}
