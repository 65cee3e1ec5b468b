using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Activities;
using Yardang.Core.Drafts;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.Wire;

namespace Yardang.Core.Tests.Drafts;

public class PagesTests
{
    private readonly Draft _draft = new();
    private readonly int _client;
    private int _counter;

    public PagesTests()
    {
        Do(new StartDraft(ActivityContent.Blank("en", "Triangles in trusses")), Actor.Program);
        Do(new AdmitClient(), Actor.Owner);
        _client = _draft.Clients.Keys.Max();
    }

    [Fact]
    public void A_page_is_put_in_where_it_is_wanted()
    {
        var last = AddPage("Measure", 3);
        var middle = AddPage("Draw", 2);
        Assert.Equal([1, middle, last], _draft.Sheets.Pages.Select(p => p.Id));
    }

    [Fact]
    public void A_page_taken_out_comes_back_with_all_that_was_on_it()
    {
        var page = AddPage("Measure", 2);
        var mark = AddNote(page);
        Make(new PageErasing(page, true));
        Assert.Equal([1], _draft.Sheets.Pages.Select(p => p.Id));
        Assert.DoesNotContain(_draft.Content().Marks, m => m.Id == mark);
        Undo();
        Assert.Equal([1, page], _draft.Sheets.Pages.Select(p => p.Id));
        Assert.Contains(_draft.Content().Marks, m => m.Id == mark);
    }

    [Fact]
    public void The_last_page_cannot_be_taken_out() => Assert.Equal(Refusal.OutOfRange, RefusalOf(new MakeChanges([new PageErasing(1, true)])));

    [Fact]
    public void Undoing_a_new_page_takes_it_out_and_redoing_puts_it_back()
    {
        var page = AddPage("Measure", 2);
        Undo();
        Assert.Null(_draft.Sheets.Pages.FirstOrDefault(p => p.Id == page));
        Do(new RedoGesture(_draft.Sheets.Journal.NextRedo(1)!.Id), Actor.Owner);
        Assert.Equal([1, page], _draft.Sheets.Pages.Select(p => p.Id));
    }

    [Fact]
    public void Nothing_can_be_put_on_a_page_that_was_taken_out()
    {
        var page = AddPage("Measure", 2);
        Make(new PageErasing(page, true));
        Assert.Equal(Refusal.NoSuchPage, RefusalOf(new AddMark(NextId(), page, Grip.Printed, Note(), new Style(0, 0))));
    }

    [Fact]
    public void Pages_keep_directions_paper_order_and_what_students_get_over_a_snapshot()
    {
        var page = AddPage("Measure", 0.5);
        Make(
            new PageDirecting(page, Texts.In("en", "Measure each side.")),
            new Papering(page, new Paper(PaperKind.CoordinatePlane, 0, new Axis(-5_000, 5_000, 1_000), new Axis(0, 8_000, 2_000))),
            new Withholding(page, ToolSet.Text | ToolSet.Note),
            new Granting(page, new PageShows(AttachmentKinds.Voices, 90)),
            new Measuring(LengthUnit.Inch));
        Make(new PageErasing(1, true));
        var copy = new Draft();
        Assert.True(SnapshotCodec.Restore(SnapshotCodec.Encode(_draft, Actor.Program), copy));
        Assert.Equal(_draft.Sheets.AllPages.Select(p => p.ToString()), copy.Sheets.AllPages.Select(p => p.ToString()));
        Assert.Equal(LengthUnit.Inch, copy.Sheets.Unit);
        Assert.Equal([page], copy.Sheets.Pages.Select(p => p.Id));
    }

    [Theory]
    [InlineData(0, 0, 1_000)]
    [InlineData(0, 10_000, 0)]
    [InlineData(0, 10_000, 10)]
    [InlineData(5_000, -5_000, 1_000)]
    public void An_axis_that_does_not_rise_in_at_most_a_hundred_steps_is_refused(int from, int to, int step) =>
        Assert.Equal(Refusal.OutOfRange, RefusalOf(new MakeChanges([new Papering(1, new Paper(PaperKind.NumberLine, 0, new Axis(from, to, step)))])));

    [Fact]
    public void A_version_of_the_draft_reads_back_whole()
    {
        AddNote(AddPage("Measure", 2));
        var json = Core.Activities.ActivityJson.Write(_draft.Content());
        Assert.Equal(json, Core.Activities.ActivityJson.Write(Core.Activities.ActivityJson.Read(json)));
        Assert.Equal(2, Core.Activities.ActivityJson.Read(json).Pages.Length);
    }

    private static NoteBody Note() => new(0, 0, 5_200, 5_200, new Words("truss", "en", ["truss"], 700));

    private long NextId() => Ids.Of(_client, _counter + 1);

    private long AddPage(string name, double order)
    {
        var id = NextId();
        Assert.IsType<Decision.Accepted>(Do(new AddPage(new Page(id, Texts.In("en", name), PageSize.A4Wide, Paper.Plain), order), Actor.Owner));
        return id;
    }

    private long AddNote(long page)
    {
        var id = NextId();
        Assert.IsType<Decision.Accepted>(Do(new AddMark(id, page, Grip.Printed, Note(), new Style(0, 0)), Actor.Owner));
        return id;
    }

    private void Make(params ImmutableArray<Change> changes) => Assert.IsType<Decision.Accepted>(Do(new MakeChanges(changes), Actor.Owner));

    private void Undo() => Do(new UndoGesture(_draft.Sheets.Journal.NextUndo(1)!.Id), Actor.Owner);

    private Refusal RefusalOf(Command command) => Assert.IsType<Decision.Refused>(Do(command, Actor.Owner)).Reason;

    private Decision Do(Command command, Actor actor)
    {
        var byProgram = command is StartDraft or AdmitClient;
        var submission = byProgram ? Submission.ByProgram(command) : new Submission(_client, _counter + 1, _counter, Ids.Of(_client, _counter + 1), command);
        var decision = _draft.Decide(submission, actor, Situation.Open);
        if (decision is not Decision.Accepted accepted) return decision;
        if (!byProgram) _counter++;
        _draft.Apply(new Envelope(_draft.Number + 1, 1_000, actor, submission.Client, submission.Counter, submission.Gesture, accepted.Audience, accepted.Event));
        return decision;
    }
}
