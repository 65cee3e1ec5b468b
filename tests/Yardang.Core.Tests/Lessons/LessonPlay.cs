using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;

namespace Yardang.Core.Tests.Lessons;

/// <summary>What happens in a lesson, by chance: people come and go, groups, signals, times, late changes, also what the rules refuse.</summary>
internal static class LessonPlay
{
    public static void Play(LessonScript lesson, Random random, int steps)
    {
        if (random.Next(2) == 0) lesson.Do(new PlanParts([2, 1, 5], OneByOne: random.Next(2) == 0), Actor.Program);
        lesson.Do(new ExpectPeople(3), Actor.Program);
        for (var step = 0; step < steps; step++)
        {
            var people = lesson.Lesson.People.Keys.ToList();
            var person = people[random.Next(people.Count)];
            var student = new Actor(person, Role.Student);
            ImmutableArray<int> Some(int one) => [.. new[] { one, people[random.Next(people.Count)] }.Distinct().Where(p => lesson.Lesson.People[p].Standing == Standing.In)];
            switch (random.Next(56))
            {
                case 0: lesson.Do(new Join(), Actor.Program); break;
                case 1: lesson.Do(new Join(person), Actor.Program); break;
                case 2: lesson.Do(new SetDoor((Door)random.Next(3)), Actor.Owner); break;
                case 3: lesson.Do(new AdmitPerson(person), Actor.Owner); break;
                case 4: lesson.Do(new RemovePerson(person), Actor.Owner); break;
                case 5 or 6: lesson.Do(new GiveSignal(person, (Signal)random.Next(1, 3), true), student); break;
                case 7: lesson.Do(new GiveSignal(person, (Signal)random.Next(1, 3), false), Actor.Owner); break;
                case 8 or 9:
                    var (one, other) = (people[random.Next(people.Count)], people[random.Next(people.Count)]);
                    lesson.Do(new SetGroups([new(random.Next(1, 9), "Piers", [one]), new(random.Next(10, 19), "Decks", [other])], lesson.Lesson.GroupingVersion), Actor.Owner);
                    break;
                case 10: lesson.Do(new UndoGroups(), Actor.Owner); break;
                case 11: lesson.Do(new RedoGroups(), Actor.Owner); break;
                case 12: lesson.Do(new SetTimes(LessonTimes.None with { HandsIn = true, DueAt = step % 2 == 0 ? 1_500 : null }), Actor.Owner); break;
                case 13: lesson.Do(new HandIn(), student); break;
                case 14: lesson.Do(new TakeWorkBack(), student); break;
                case 15: lesson.Do(step % 4 == 0 ? new TakeLateChangeBack((step % 5) + 1) : new HandOutLateChange(new Guid(step, 0, 0, new byte[8]), [], []), Actor.Program); break;
                case 16: lesson.Do(new ConfirmLateChange((step % 5) + 1), student); break;
                case 17: lesson.Do(new SendAway([person]), Actor.Owner); break;
                case 20 or 21: lesson.Do(new NoteWaiting(new Guid(person, 0, 0, new byte[8]), person, random.Next(3)), Actor.Program); break;
                case 22 or 23: lesson.Do(new SetPart(random.Next(1, 6), random.Next(2) == 0), Actor.Owner); break;
                case 24 or 25: lesson.Do(new SetOwnFirst(random.Next(0, 4), random.Next(2) == 0), Actor.Owner); break;
                case 26: lesson.Do(new GiveSignal(person, Signal.HandUp, true, (HandReason)random.Next(4), random.Next(2) == 0 ? "" : $"why {step}"), student); break;
                case 27 or 28: lesson.Do(new GiveReport((Report)random.Next(4)), student); break;
                case 29: lesson.Do(new AskCheckIn(random.Next(2) == 0), Actor.Owner); break;
                case 30: lesson.Do(new VisitWork(person), Actor.Owner); break;
                case 31: lesson.Do(new LowerHands(), Actor.Owner); break;
                case 32: lesson.Do(new AnswerNeed(person, (NeedKind)random.Next(1, 13), random.Next(3)), Actor.Owner); break;
                case 53: lesson.Do(new SetWordScreen(new((WhenFound)random.Next(4), step % 2 == 0, step % 3 == 0, [$"word {step}"], [])), Actor.Owner); break;
                case 55: lesson.Do(new SetHiding(random.Next(-1, 4)), Actor.Owner); break;
                case 54: lesson.Do(new SetApproval(random.Next(1, 4), new((ApprovalWhen)random.Next(4), random.Next(2) == 0 ? [] : [person], LessonHours.Usual)), Actor.Owner); break;
                case 33: lesson.Do(new SetNeeds(NeedsSettings.Usual with { StoppedAfter = 60 + random.Next(100), WithoutAlerts = random.Next(2) == 0 }), Actor.Owner); break;
                case 34 or 35: lesson.Do(new CallClass(random.Next(3) == 0 ? [] : Some(person), random.Next(2) == 0 ? $"look {step}" : "", random.Next(3) == 0 ? null : new Spot(1, SpotKind.Page, 1 + (step % 3)), random.Next(3) == 0), Actor.Owner); break;
                case 36: lesson.Do(new ConfirmCall(random.Next(1, 9), random.Next(3) > 0, random.Next(3) == 0 ? "" : $"yes {step}"), student); break;
                case 37: lesson.Do(random.Next(2) == 0 ? new EndCall(random.Next(1, 9)) : new LeadOn(lesson.Lesson.Calls.Leading?.Number ?? 1, new Spot(1, SpotKind.Place, 2, step, step)), Actor.Owner); break;
                case 38 or 39: lesson.Do(new HoldPens(Some(person), random.Next(3) > 0, random.Next(2) * 5 * (step % 2), step % 3 == 0 ? $"why {step}" : ""), Actor.Owner); break;
                case 40: lesson.Do(lesson.Lesson.Questions.Open is { } open && random.Next(2) == 0 ? new CloseQuestion(open.Number) : new PoseQuestion($"Why {step}?", ReplyForm.Choice, ["span", "load"]), Actor.Owner); break;
                case 41 or 42: lesson.Do(new GiveReply(lesson.Lesson.Questions.Open?.Number ?? 1, random.Next(1, 4), ""), student); break;
                case 43 or 44: lesson.Do(new BeginPhase(new((PhaseKind)random.Next(4), $"now {step}", random.Next(3), random.Next(2) == 0, random.Next(3), (StudentActs)random.Next(16), random.Next(3))), Actor.Owner); break;
                case 45 or 46: lesson.Do(new GiveTime(random.Next(-2, 4), random.Next(2) == 0 ? 0 : person), Actor.Owner); break;
                case 47: lesson.Do(new EndPhase(random.Next(2) == 0), Actor.Owner); break;
                case 48: lesson.Do(new ShowOnScreen(random.Next(2) == 0 ? new(ScreenKind.Works, [new Guid(step, 0, 0, new byte[8])], step, step % 2 == 0, step % 3 == 0, step % 5) : new((ScreenKind)random.Next(6), [], 0, false, false)), Actor.Owner); break;
                case 49: lesson.Do(new SetPrivacy(random.Next(0, 3), (Privacy)random.Next(3)), Actor.Owner); break;
                case 50 or 51: lesson.Do(new ShowWork(random.Next(1, 3), random.Next(3) > 0), student); break;
                case 52: lesson.Do(random.Next(3) > 0 ? new CallBoardsUp(random.Next(1, 3), random.Next(2) == 0 ? [] : Some(person), true) : new CallBoardsUp(random.Next(1, 3), [], false), Actor.Owner); break;
                case 18: lesson.Do(new ConfirmSeats(lesson.Lesson.Number), Actor.Program); break;
                default: lesson.Do(step % 2 == 0 ? new SetPens(step % 3 == 0) : new MaskNames(step % 3 == 0), Actor.Owner); break;
            }
        }
    }
}
