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
