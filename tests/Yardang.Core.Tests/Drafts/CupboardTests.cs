using Yardang.Core.Activities;
using Yardang.Core.Cupboard;
using Yardang.Core.Drafts;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;

namespace Yardang.Core.Tests.Drafts;

public class CupboardTests
{
    public static TheoryData<string> Keys => [.. Organizers.All.Select(o => o.Key)];

    [Theory]
    [MemberData(nameof(Keys))]
    public void An_organizer_fits_every_size_of_page_and_may_stand_in_any_draft(string key)
    {
        foreach (var size in new[] { PageSize.A4Wide, PageSize.A4, PageSize.A3Wide, PageSize.Letter, PageSize.Screen })
        {
            var marks = Organizers.Find(key).On(size, "en", text => text);
            Assert.NotEmpty(marks);
            Assert.All(marks, mark =>
            {
                var box = MarkGeometry.BoundsOf(mark);
                Assert.True(box is { X: >= 0, Y: >= 0 } && box.X + box.Width <= size.Width && box.Y + box.Height <= size.Height, $"{size}: {mark.Body} lies outside.");
            });

            var draft = new Draft();
            Do(draft, new AdmitClient(), Actor.Owner, 0);
            var client = draft.Clients.Keys.Max();
            var added = marks.Select((m, i) => new NewMark(Ids.Of(client, 1) + (i * 100), m.Grip, m.Body, m.Style, m.Place, null, [], 0));
            Assert.IsType<Decision.Accepted>(draft.Decide(new Submission(client, 1, 0, Ids.Of(client, 1), new AddMarks(1, [.. added])), Actor.Owner, Situation.Open));
        }
    }

    [Fact]
    public void There_is_an_organizer_for_everything_that_teachers_asked_for()
    {
        Assert.Equal(21, Organizers.All.Select(o => o.Key).Distinct(StringComparer.Ordinal).Count());
        Assert.True(Templates.All.Length >= 10);
    }

    [Fact]
    public void Two_circles_overlap_so_that_a_slip_in_the_middle_is_in_both()
    {
        var marks = Organizers.Find("venn2").On(PageSize.A4Wide, "en", text => text);
        var both = marks.Single(m => string.Equals(m.Words?.Text, "both", StringComparison.Ordinal));
        Assert.Equal(2, Zoning.ZonesOf(both, marks).Length);
    }

    [Fact]
    public void Putting_an_earlier_version_in_place_leaves_exactly_that_and_nothing_to_undo()
    {
        var earlier = Templates.Find("compare")!.Content("en", text => text);
        var draft = new Draft();
        Do(draft, new StartDraft(earlier), Actor.Program, 0);
        var before = ActivityJson.Write(draft.Content());
        Do(draft, new AdmitClient(), Actor.Owner, 0);
        var client = draft.Clients.Keys.Max();
        Do(draft, new MakeChanges([new Naming(Texts.In("en", "Another"))]), Actor.Owner, client);
        Assert.IsType<Decision.Refused>(draft.Decide(new Submission(client, 2, 1, Ids.Of(client, 2), new ReplaceDraft(earlier)), Actor.Owner, Situation.Open));
        Do(draft, new ReplaceDraft(earlier), Actor.Program, 0);
        Assert.Equal(before, ActivityJson.Write(draft.Content()));
        Assert.Null(draft.Sheets.Journal.NextUndo(1));
    }

    private static void Do(Draft draft, Command command, Actor actor, int client)
    {
        var submission = new Submission(client, client == 0 ? 0 : 1, 0, client == 0 ? 0 : Ids.Of(client, 1), command);
        var accepted = Assert.IsType<Decision.Accepted>(draft.Decide(submission, actor, Situation.Open));
        draft.Apply(new Envelope(draft.Number + 1, 1_000, actor, submission.Client, submission.Counter, submission.Gesture, accepted.Audience, accepted.Event));
    }
}
