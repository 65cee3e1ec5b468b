using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>A lesson's door: who are you? A shared device is asked "Go on as ...?" first.</summary>
public sealed class JoinModel(Joining joining, AccessResolver access, ParticipantCookie cookie, JoinThrottle throttle, JoinLimit limit, LessonPeople people, MyPlace places, ReentryKeys keys, IStringLocalizer<UiTexts> texts) : PageModel
{
    public LessonRecord Lesson { get; private set; } = null!;

    public IReadOnlyList<ParticipantRecord> Known { get; private set; } = [];

    /// <summary>What they are called, told apart.</summary>
    public IReadOnlyDictionary<Guid, string> Names { get; private set; } = new Dictionary<Guid, string>();

    public bool SomebodyElse { get; private set; }

    /// <summary>The name as it was typed; where names and numbers do, perhaps a number.</summary>
    public string Typed { get; private set; } = "";

    public string TypedNumber { get; private set; } = "";

    /// <summary>Whether a number is asked for.</summary>
    public bool AsksNumber => Lesson.Introduction != Introduction.Name;

    public string? Problem { get; private set; }

    /// <summary>What was wrong with a key.</summary>
    public string? KeyProblem { get; private set; }

    /// <summary>Somebody of this device who is not in: they wait, or were sent away. Null if nobody of them asks.</summary>
    public ParticipantRecord? AtTheDoor { get; private set; }

    /// <summary>What the page of those who wait hands to its script.</summary>
    public object DoorData => new { lesson = Lesson.Id, query = $"?as={AtTheDoor!.Id}", standing = AtTheDoor.Standing };

    public async Task<IActionResult> OnGetAsync(string code, [FromQuery(Name = "new")] bool somebodyElse, [FromQuery(Name = "n")] int? number)
    {
        // A join slip knows the number of the student whose it is.
        SomebodyElse = somebodyElse;
        if (await FindAsync(code) is { } elsewhere) return elsewhere;
        var known = number?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "";
        (Typed, TypedNumber) = AsksNumber ? ("", known) : (known, "");
        AtTheDoor = Known.FirstOrDefault(p => p.Id == Visitor.Of(HttpContext).As && (p.Standing != Standing.In || Lesson.Waits));
        return Page();
    }

    public async Task<IActionResult> OnPostAgainAsync(string code, Guid participant)
    {
        if (await FindAsync(code) is { } elsewhere) return elsewhere;
        AtTheDoor = Known.FirstOrDefault(p => p.Id == participant);
        if (AtTheDoor is null) return Redirect($"/join/{Lesson.Code}");
        if (await joining.AskAgainAsync(AtTheDoor) is not { } refusal) return Redirect($"/here?as={participant}");
        Problem = WhyNot(refusal);
        return Page();
    }

    /// <summary>Somebody comes back on another device, with their three words.</summary>
    public async Task<IActionResult> OnPostKeyAsync(string code, string? key)
    {
        if (await FindAsync(code) is { } elsewhere) return elsewhere;
        SomebodyElse = true;
        if (await keys.FindAsync(Lesson.Id, key) is { } participant)
        {
            cookie.Remember(HttpContext, participant.Id);
            return Redirect($"/here?as={participant.Id}");
        }

        KeyProblem = keys.MustWait(Lesson.Id) ? texts["Join.Key.Wait"] : texts["Join.Key.Wrong"];
        return Page();
    }

    private string WhyNot(Refusal refusal) => refusal switch
    {
        Refusal.Closed => texts["Join.Over"],
        Refusal.Full => texts["Join.Full"],
        Refusal.Words => texts["Join.Words"],
        _ => texts["Join.DoorClosed"],
    };

    public async Task<IActionResult> OnPostAsync(string code, string? name, string? number, string? password)
    {
        if (await FindAsync(code) is { } elsewhere) return elsewhere;
        SomebodyElse = true;
        Typed = name?.Length <= PersonName.MaxLength * 2 ? name : "";
        TypedNumber = number?.Length <= PersonName.MaxLength ? number : "";
        var known = AsksNumber || Lesson.ClassListId is not null ? await joining.ListAsync(Lesson.Id) : [];
        var introduced = Introductions.Read(Lesson.Introduction, name, number, [.. known.Select(p => new ClassEntry(p.ListNumber!.Value, p.Name))]);
        if (introduced is Introduced.Unclear(var fault))
        {
            Problem = fault == IntroductionFault.LongName ? texts["Join.LongName", PersonName.MaxLength] : texts[$"Join.{fault}"];
            return Page();
        }

        if (!LessonPassword.Opens(Lesson, password))
        {
            throttle.WrongPassword(HttpContext);
            Problem = texts["Join.WrongPassword"];
            return Page();
        }

        // Who is expected comes in in any case; only people can be made up without end.
        if (introduced is Introduced.Newcomer && !limit.LetsIn(HttpContext, Lesson.Id, Known.Count))
        {
            Problem = Known.Count >= JoinLimit.OfDevice ? texts["Join.DeviceFull", JoinLimit.OfDevice] : texts["Join.Crowd"];
            return Page();
        }

        var (participant, refusal) = introduced switch
        {
            Introduced.Known(var who) => await joining.ArriveAsync(Lesson, known.Single(p => p.ListNumber == who.Number)),
            Introduced.Newcomer(var called, var given) => await joining.JoinAsync(Lesson, called, given),
            _ => (null, Refusal.NotAllowed),
        };
        if (refusal == Refusal.Duplicate)
        {
            Problem = texts["Join.AlreadyIn", AsksNumber ? TypedNumber : Typed];
            return Page();
        }

        if (participant is null)
        {
            Problem = WhyNot(refusal ?? Refusal.NotAllowed);
            return Page();
        }

        cookie.Remember(HttpContext, participant.Id);
        return Redirect((await places.OfAsync(participant)).Address);
    }

    // A wrong code in the address counts like one that was typed.
    private async Task<IActionResult?> FindAsync(string code)
    {
        var lesson = await throttle.EnterAsync(HttpContext) && JoinCode.Read(code) is { } read ? await joining.FindAsync(read) : null;
        if (lesson is null) return RedirectToPage("/Student/Index", new { nowhere = true });
        throttle.WasRight(HttpContext);
        Lesson = lesson;
        Known = await access.ParticipantsAsync(Visitor.Of(HttpContext), lesson.Id);
        Names = await people.NamesAmongAsync(Known);
        return null;
    }
}
