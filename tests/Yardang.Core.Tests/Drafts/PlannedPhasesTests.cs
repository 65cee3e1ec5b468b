using Yardang.Core.Activities;
using Yardang.Core.Drafts;
using Yardang.Core.Editing;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Data.Wire;

namespace Yardang.Core.Tests.Drafts;

/// <summary>Phases are planned with the activity; they are edited like the rest of it, and are the teacher's.</summary>
public class PlannedPhasesTests
{
    private static readonly PlannedPhase s_think = new(PhaseKind.Think, Texts.In("en", "What carries the load in {bridge}?"), 3, true, 0, StudentActs.Answer | StudentActs.Move);
    private static readonly PlannedPhase s_choose = new(PhaseKind.Choose, Texts.None, 0, false, 1, StudentActs.None);

    private readonly Draft _draft = new();
    private int _counter;

    public PlannedPhasesTests()
    {
        Do(new StartDraft(ActivityContent.Blank("en", "Bridges")), Actor.Program);
        Do(new AdmitClient(), Actor.Owner);
    }

    private ActivityContent Content => _draft.Content();

    [Fact]
    public void A_plan_of_phases_is_kept_undone_and_done_again_like_any_other_change()
    {
        Assert.Null(Content.Phases);
        Plan(s_think, s_choose);
        Plan(s_choose);
        Do(new UndoGesture(_draft.Sheets.Journal.NextUndo(1)!.Id), Actor.Owner);
        Assert.Equal([s_think, s_choose], Content.Phases!.Value);
        Do(new RedoGesture(_draft.Sheets.Journal.NextRedo(1)!.Id), Actor.Owner);
        Assert.Equal([s_choose], Content.Phases!.Value);
    }

    [Fact]
    public void It_survives_a_snapshot_and_a_version()
    {
        Plan(s_think, s_choose);
        var copy = new Draft();
        Assert.True(SnapshotCodec.Restore(SnapshotCodec.Encode(_draft, Actor.Owner), copy));
        Assert.True(ActivityJson.AreSame<PlannedPhase[]>([s_think, s_choose], [.. copy.Content().Phases!]));
        Assert.True(ActivityJson.AreSame<PlannedPhase[]>([s_think, s_choose], [.. ActivityJson.Read(ActivityJson.Write(Content)).Phases!]));
    }

    [Fact]
    public void Boards_know_nothing_of_it()
    {
        Plan(s_think);
        Assert.Null(Content.PagesOf(1).Phases);
    }

    [Fact]
    public void A_phase_opens_no_part_that_was_taken_out()
    {
        Plan(s_choose with { Part = 7 });
        Assert.Equal(0, Content.Phases!.Value[0].Part);
    }

    [Fact]
    public void Its_sentences_are_translated_and_filled_in()
    {
        Plan(s_think with { Words = s_think.Words.With("es", "¿Qué lleva la carga?") });
        Assert.Equal(["en", "es"], Languages.In(Content));
        Assert.Contains("bridge", FillIns.In(Content));
    }

    [Fact]
    public void Phases_that_cannot_be_are_refused_and_not_read_from_files()
    {
        PlannedPhase[] wrong =
        [
            s_think with { Kind = (PhaseKind)4 },
            s_think with { Minutes = -1 },
            s_think with { Minutes = PlannedPhase.Longest + 1 },
            s_think with { Minutes = 0 },
            s_think with { Part = -1 },
            s_think with { Part = RoomPlace.LastPart + 1 },
            s_think with { Withheld = (StudentActs)16 },
            s_think with { Words = Texts.In("en", new string('a', PlannedPhase.WordsLength + 1)) },
        ];
        foreach (var phase in wrong)
        {
            Assert.Equal(Refusal.OutOfRange, Try(phase));
            Assert.NotNull(ContentRules.FaultIn(Content with { Phases = [phase] }));
        }

        Assert.Null(Try([.. Enumerable.Repeat(s_think, PlannedPhase.Most)]));
        Assert.Equal(Refusal.OutOfRange, Try([.. Enumerable.Repeat(s_think, PlannedPhase.Most + 1)]));
        Assert.Equal(PlannedPhase.Most, Content.Phases!.Value.Length);
    }

    private void Plan(params PlannedPhase[] phases) => Assert.Null(Try(phases));

    private Refusal? Try(params PlannedPhase[] phases) => (Do(new MakeChanges([new Planning([.. phases])]), Actor.Owner) as Decision.Refused)?.Reason;

    private Decision Do(Command command, Actor actor)
    {
        var client = command is MakeChanges or UndoGesture or RedoGesture ? _draft.Clients.Keys.Max() : 0;
        var counter = client == 0 ? 0 : _counter + 1;
        var gesture = command is MakeChanges ? Ids.Of(client, counter) : 0;
        var decision = _draft.Decide(new Submission(client, counter, Math.Max(0, counter - 1), gesture, command), actor, Situation.Open);
        if (decision is not Decision.Accepted accepted) return decision;
        _counter = Math.Max(_counter, counter);
        _draft.Apply(new Envelope(_draft.Number + 1, 1, actor, client, counter, gesture, accepted.Audience, accepted.Event));
        return decision;
    }
}
