using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>Who may change what of whose mark: what the rules answer, for the browser to hint the same.</summary>
internal static class PermissionVectors
{
    private static readonly Refusal[] s_mayNot = [Refusal.NotAllowed, Refusal.NotYours, Refusal.Printed, Refusal.Pinned, Refusal.LooseOnlyMoves, Refusal.NotFound];

    private static readonly Property[] s_properties =
        [Property.Place, Property.Erased, Property.Words, Property.Style, Property.Scale, Property.Body, Property.Pinned, Property.Tie, Property.Order, Property.Grip];

    public static IEnumerable<object> All()
    {
        var script = new BoardScript();
        var words = new NoteBody(100, 100, 5_200, 5_200, Say("arch"));
        foreach (var actor in new[] { Maya, Ben, Teacher })
        {
            Put(actor, words);
            var pinned = Put(actor, words);
            script.Do(actor, new MakeChanges([new Pinning(pinned, true)]));
            script.Draw(actor);
        }

        script.Do(Teacher, new MakeChanges([new Pinning(LooseLabel, true)]));
        var ends = script.Board.Sheets.Marks.Values.Where(m => m.Author == Maya.Number && !m.ByStaff).Select(m => m.Id).Order().ToArray();
        Put(Maya, new ConnectorBody(ends[0], ends[1], [0, 0, 900, 900]));
        foreach (var actor in new[] { Maya, Ben, Teacher })
        {
            yield return new
            {
                actor = actor.Number,
                isStaff = actor.IsStaff,
                board = SnapshotCodec.Encode(script.Board, actor),
                may = script.Board.Sheets.Marks.Keys.Order().SelectMany(_ => s_properties, (target, property) => (target, property, Change: script.Board.Sheets.Current(target, property)))
                    .Where(c => c.Change is not null).Select(c => new { c.target, property = (int)c.property, yes = May(script, actor, c.Change!) }),
            };
        }

        long Put(Actor actor, MarkBody body)
        {
            var id = script.NextId(actor);
            Assert.IsType<Decision.Accepted>(script.Do(actor, new AddMark(id, 1, Grip.Own, body, new Style(1, 60))));
            return id;
        }
    }

    /// <summary>Texts, and the places to fill in that are in them.</summary>
    public static IEnumerable<object> FillIns()
    {
        string[] texts = ["Build {what} over {where}.", "{What} again, {} and {not\nthis} and {{nested}}", "{ spaces }", new string('x', 10) + "{" + new string('y', 41) + "}", "{ponte} {Ponte} {PONTE}", "none"];
        return texts.Select((_, i) => texts.Take(i + 1).ToImmutableArray()).Select(some => new
        {
            texts = some,
            names = Activities.FillIns.In(ActivityContent.Blank("en", "") with { Marks = [.. some.Select((text, i) => Printed(100 + i, Grip.Printed, text))] }),
        });
    }

    private static bool May(BoardScript script, Actor actor, Change change)
    {
        var client = Ids.ClientOf(script.NextId(actor));
        var last = script.Board.Clients[client].HighWater;
        var decision = script.Board.Decide(new Submission(client, last + 1, last, 0, new MakeChanges([change])), actor, Situation.Open);
        return decision is not Decision.Refused refused || !s_mayNot.Contains(refused.Reason);
    }
}
