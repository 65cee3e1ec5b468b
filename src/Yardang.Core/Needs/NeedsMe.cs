using System.Collections.Immutable;
using Yardang.Core.Lessons;

namespace Yardang.Core.Needs;

/// <summary>
/// Who needs the teacher, and why: what students say themselves, and what can be seen. Nobody is listed for being slow: silence counts only while most others
/// go on, and is measured by how long somebody has paused before and then went on. How good these rules are is measured by <c>bench needs</c>.
/// </summary>
public static class NeedsMe
{
    /// <summary>Silence counts once it is longer than the longest pause before, by so much.</summary>
    private const double Margin = 1.15;

    /// <summary>Longer than this nobody is given, ms.</summary>
    private const long LongestSilence = 4 * 60_000;

    /// <summary>Who did something in so long is at work, ms.</summary>
    private const long AtWork = 45_000;

    /// <summary>Where there are fewer others nobody can be compared; then silence counts after so many times as long.</summary>
    private const int FewOthers = 3;

    private const int AloneTimes = 2;

    /// <summary>Who came back is listed for so long, ms.</summary>
    private const long BackFor = 2 * 60_000;

    /// <summary>Of so many hundred, most are on one page.</summary>
    private const int MostOfHundred = 75;

    /// <summary>Everybody who needs the teacher now, in the order in which they should be gone to.</summary>
    public static ImmutableArray<Need> Of(ClassNow now)
    {
        var found = new List<Need>();
        var here = now.Students.Where(s => Contact.Of(s.Person, s.Contact, now.Now) == Presence.Here).ToList();
        var page = PageOfMost(here);
        var hasList = now.Students.Any(s => s.Person.IsListed);
        foreach (var student in now.Students)
        {
            found.AddRange(Said(student.Person, hasList));
            found.AddRange(Seen(student, here, page, now));
        }

        found.AddRange(now.Waiting.Where(w => w.Count > 0).Select(w => new Need(NeedKind.LateWork, w.Person, 0, Count: w.Count, Board: w.Board)));
        if (!now.Settings.WithoutAlerts) found.AddRange(now.Alerts.Where(a => IsIn(a.Person, now)));
        return [.. found.Where(need => !IsAnswered(need, now)).OrderBy(n => PlaceOf(n.Kind)).ThenBy(n => n.Kind).ThenBy(n => n.Since).ThenBy(n => n.Person)];
    }

    /// <summary>How long somebody may be silent before they are listed, ms.</summary>
    /// <param name="pace">Their rhythm.</param>
    /// <param name="least">At least so long, ms.</param>
    public static long SilenceOf(Pace pace, long least) => Math.Clamp((long)(pace.LongestPause * Margin), least, Math.Max(least, LongestSilence));

    /// <summary>Until when the class as a whole did nothing: the teacher talked, perhaps. Nobody is silent for what came before that.</summary>
    /// <param name="before">What was so when it was looked last, ms; 0 at the beginning.</param>
    /// <param name="students">Everybody whom the lesson knows.</param>
    /// <param name="now">Server time, ms.</param>
    public static long LullUntil(long before, IEnumerable<Student> students, long now)
    {
        var (here, working) = (0, 0);
        foreach (var student in students.Where(s => s.Pace is not null && Contact.Of(s.Person, s.Contact, now) == Presence.Here))
        {
            here++;
            if (student.Pace!.LastAct is { } at && now - at < AtWork) working++;
        }

        return working * 2 < here ? now : before;
    }

    private static IEnumerable<Need> Said(Person person, bool hasList)
    {
        if (person.Standing == Standing.Waiting) yield return new(NeedKind.Door, person.Number, person.JoinedAt, IsStranger: hasList && !person.IsListed);
        if (person.Standing != Standing.In) yield break;
        if (person.HandUpAt is { } hand) yield return new(NeedKind.Hand, person.Number, hand, person.Reason, person.Words);
        if (person.ReadyAt is { } ready) yield return new(NeedKind.Ready, person.Number, ready);
        if (person is { Report: Report.Stuck, ReportAt: { } stuck }) yield return new(NeedKind.Stuck, person.Number, stuck);
        if (person is { Report: Report.Unsure, ReportAt: { } unsure }) yield return new(NeedKind.Unsure, person.Number, unsure);
    }

    private static IEnumerable<Need> Seen(Student student, List<Student> here, (long Page, int People) most, ClassNow now)
    {
        var (person, contact, pace) = (student.Person, student.Contact, student.Pace);
        if (person.Standing != Standing.In || contact is null) yield break;
        var offline = now.Settings.OfflineAfter * 1_000L;
        var presence = Contact.Of(person, contact, now.Now);
        if (presence == Presence.Away && offline > 0 && now.Now - contact.Since >= offline) yield return new(NeedKind.Offline, person.Number, contact.Since);
        if (presence != Presence.Here) yield break;
        if (offline > 0 && contact.AwayBefore >= offline && now.Now - contact.Since < BackFor) yield return new(NeedKind.CameBack, person.Number, contact.Since);

        // Who waits for the teacher or is done is not idle, nor who cannot write.
        if (!now.MayWrite || pace is null || person.IsHeld(now.Now) || person.HandUpAt is not null || person.ReadyAt is not null || person.HandedInAt is not null || person.Report == Report.Stuck) yield break;
        var others = here.Where(s => s.Person.Number != person.Number && s.Pace is not null).ToList();
        var from = Math.Max(Math.Max(Math.Max(student.OpenSince, Math.Max(person.JoinedAt, contact.Since)), Math.Max(now.LullUntil, person.PensDownUntil ?? 0)), now.Visits.GetValueOrDefault(person.Number)?.At ?? 0);
        var idle = pace.LastAct is null ? NotStarted(student, others, from, now) : Stopped(student, others, from, now);
        if (idle is not null) yield return idle;
        else if (IsInCircles(student, from, now)) yield return new(NeedKind.InCircles, person.Number, now.Now - (now.Settings.InCirclesAfter * 1_000L));
        var elsewhere = now.Settings.OtherPageAfter * 1_000L;
        if (elsewhere > 0 && most.Page != 0 && student.Page != 0 && student.Page != most.Page && now.Now - Math.Max(student.PageSince, from) >= elsewhere)
            yield return new(NeedKind.OtherPage, person.Number, student.PageSince, Others: most.People, Of: here.Count);
    }

    private static Need? NotStarted(Student student, List<Student> others, long from, ClassNow now)
    {
        var after = now.Settings.NotStartedAfter * 1_000L;
        var started = others.Count(s => s.Pace!.LastAct is not null);
        return after > 0 && now.Now - from >= Alone(after, others) ? new(NeedKind.NotStarted, student.Person.Number, from, Others: started, Of: others.Count) : null;
    }

    private static Need? Stopped(Student student, List<Student> others, long from, ClassNow now)
    {
        var least = now.Settings.StoppedAfter * 1_000L;
        if (least == 0) return null;
        var limit = Alone(SilenceOf(student.Pace!, least), others);
        var since = Math.Max(student.Pace!.LastAct!.Value, from);
        if (now.Now - since < limit) return null;
        var wrote = others.Count(s => s.Pace!.LastAct is { } at && now.Now - at < limit);
        return new(NeedKind.Stopped, student.Person.Number, since, Others: wrote, Of: others.Count);
    }

    private static bool IsInCircles(Student student, long from, ClassNow now)
    {
        var span = now.Settings.InCirclesAfter * 1_000L;
        var answered = now.Answered.GetValueOrDefault((student.Person.Number, NeedKind.InCircles))?.At ?? 0;
        return span > 0 && now.Now - Math.Max(from, answered) >= span && student.Pace!.IsInCircles(span, now.Now);
    }

    private static long Alone(long limit, List<Student> others) => others.Count < FewOthers ? AloneTimes * limit : limit;

    private static (long Page, int People) PageOfMost(List<Student> here)
    {
        var known = here.Where(s => s.Page != 0).ToList();
        if (known.Count <= FewOthers) return (0, 0);
        var most = known.GroupBy(s => s.Page).MaxBy(g => g.Count())!;
        return most.Count() * 100 >= known.Count * MostOfHundred ? (most.Key, most.Count()) : (0, 0);
    }

    // What may be mischief stands behind what waits, and before what is only seen.
    private static int PlaceOf(NeedKind kind) => kind <= NeedKind.LateWork ? 0 : kind >= NeedKind.ToldOf ? 1 : 2;

    private static bool IsIn(int person, ClassNow now) => now.Students.Any(s => s.Person.Number == person && s.Person.Standing == Standing.In);

    // What is put off comes again when its time is over; what is done, when it begins anew.
    private static bool IsAnswered(Need need, ClassNow now) => now.Answered.TryGetValue((need.Person, need.Kind), out var answer) && (answer.Until is { } until ? now.Now < until : need.Since <= answer.At);
}
