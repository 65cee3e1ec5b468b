using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Core.Tests.Walls;

/// <summary>A wall on which people put cards, and the log of what happened.</summary>
internal sealed class WallScript(WallRules? rules = null, MapPicture? map = null, Purpose purpose = Purpose.Sort)
{
    public static readonly Actor Teacher = Actor.Owner;
    public static readonly Actor Maya = new(2, Role.Student);
    public static readonly Actor Ben = new(3, Role.Student);

    private readonly Dictionary<int, int> _counters = [];

    public Wall Wall { get; } = new(Plan(rules) with { Map = map, Purpose = purpose }, Key);

    /// <summary>What ids are hidden by.</summary>
    public static readonly VeilKey Key = new(11, 12);

    public List<Envelope> Log { get; } = [];

    public Allowed Allowed { get; set; } = Allowed.Everything;

    /// <summary>"What do we know about bridges?", with two topics: 11 and 12.</summary>
    public static WallPlan Plan(WallRules? rules = null) => new(
        Purpose.Sort,
        Texts.In("en", "What do we know about bridges?"),
        [new(11, Texts.In("en", "Why they stand"), Texts.In("en", "What carries the load?"), 2), new(12, Texts.In("en", "Why they fall"), Texts.None, 3)],
        rules ?? WallRules.Free);

    public Decision Do(Actor actor, Command command)
    {
        var client = ClientOf(actor);
        var counter = Wall.Clients[client].HighWater + 1;
        return Take(new Submission(client, counter, counter - 1, 0, command), actor);
    }

    /// <summary>The program does something, on nobody's behalf.</summary>
    public Decision DoByProgram(Command command) => Take(Submission.ByProgram(command), Actor.Program);

    /// <summary>Puts a card up, and gives its id.</summary>
    public long PutUp(Actor actor, string text, long topic = 11, ImmutableArray<Attachment>? shown = null)
    {
        var id = NextId(actor);
        Do(actor, new PutUpCard(id, topic, "en", text, shown));
        return id;
    }

    /// <summary>Answers a card, or another answer to it, and gives the id.</summary>
    public long Answer(Actor actor, long card, string text, long to = 0)
    {
        var id = NextId(actor);
        Do(actor, new GiveAnswer(card, id, to, "en", text));
        return id;
    }

    public long NextId(Actor actor)
    {
        var client = ClientOf(actor);
        return Ids.Of(client, _counters[client] = _counters.GetValueOrDefault(client) + 1);
    }

    /// <summary>What stands under a topic.</summary>
    public IEnumerable<string> Under(long topic) => Wall.Under(topic).Select(c => c.Text);

    private int ClientOf(Actor actor)
    {
        if (Wall.Clients.FirstOrDefault(c => c.Value.Actor == actor.Number).Key is > 0 and var known) return known;
        Take(new Submission(0, 0, 0, 0, new AdmitClient()), actor with { HasLeft = false });
        return Wall.Clients.Keys.Last();
    }

    private Decision Take(Submission submission, Actor actor)
    {
        var decision = Wall.Decide(submission, actor, new Situation(Allowed, 1_000 + Wall.Number, 0));
        if (decision is Decision.Accepted accepted)
        {
            var envelope = new Envelope(Wall.Number + 1, 1_000 + Wall.Number, actor, submission.Client, submission.Counter, 0, accepted.Audience, accepted.Event);
            Log.Add(envelope);
            Wall.Apply(envelope);
        }

        return decision;
    }
}
