using Yardang.Core.Lessons;
using Yardang.Core.Rooms;

namespace Yardang.Core.Tests.Lessons;

/// <summary>A lesson with people in it (numbers from 2 on), and the log of what happened.</summary>
internal sealed class LessonScript
{
    public LessonScript(int people)
    {
        Do(new OpenLesson(), Actor.Program);
        for (var i = 0; i < people; i++) Do(new Join(), Actor.Program);
    }

    public Lesson Lesson { get; } = new();

    public List<Envelope> Log { get; } = [];

    public Decision Do(Command command, Actor actor)
    {
        var client = Lesson.Clients.FirstOrDefault(c => c.Value.Actor == actor.Number).Key;
        if (client == 0 && actor.Role != Role.Program && !actor.LooksOnly)
        {
            Take(new Submission(0, 0, 0, 0, new AdmitClient()), actor);
            client = Lesson.Clients.Keys.Last();
        }

        var counter = client == 0 ? 0 : Lesson.Clients[client].HighWater + 1;
        return Take(new Submission(client, counter, Math.Max(0, counter - 1), 0, command), actor);
    }

    private Decision Take(Submission submission, Actor actor)
    {
        var decision = Lesson.Decide(submission, actor, Conditions.Open);
        if (decision is Decision.Accepted accepted)
        {
            var envelope = new Envelope(Lesson.Number + 1, 1_000 + Lesson.Number, actor, submission.Client, submission.Counter, 0, accepted.Audience, accepted.Event);
            Log.Add(envelope);
            Lesson.Apply(envelope);
        }

        return decision;
    }
}
