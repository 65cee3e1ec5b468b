using Yardang.Core.Boards;
using Yardang.Core.Drafts;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.Visibility;

/// <summary>A room's state in one piece, as one reader may see it (<see cref="Sight"/>).</summary>
public static class Snapshots
{
    /// <summary>The state as this reader may see it. The same state gives the same snapshot.</summary>
    public static RoomSnapshot Of(Room room, Actor reader) => room switch
    {
        Board board => new BoardSnapshot(
            Of(board.Sheets, reader), [.. board.SetAside.Values.Where(late => Sight.Of(reader, late))], board.LastActivity, [.. board.Adopted.Values],
            reader.IsStaff ? [.. board.Acts.Values] : [], [.. board.Talk.All.Select(thread => Sight.AsSeen(reader, thread)).OfType<MarkThread>()], board.Choice.StateFor(judgement => Sight.Of(reader, judgement), person => Sight.OfJudge(reader, person)), [.. board.Concerns.Open.Where(concern => Sight.Of(reader, concern))]),
        Draft draft => new DraftSnapshot(Of(draft.Sheets, reader)),
        Lesson lesson => Of(lesson, reader),
        Wall { IsSealed: true, IsCopy: false } wall when reader.ReadingWhere(isSealed: true) is { IsBlind: true } blind => HiddenNames.Of(wall, blind),
        Wall { Out: not null, IsCopy: false } wall when !reader.SeesAll => HiddenNames.Of(wall, reader),
        Wall wall => new WallSnapshot(
            wall.Plan, [.. wall.Cards.Values.Where(card => Sight.Of(reader, card, wall.Plan.Rules)).Select(card => Sight.AsSeen(reader, card))], [.. wall.SetAside.Values.Where(late => Sight.Of(reader, late))],
            reader.SeesAll ? wall.LastActivity : wall.Acts.TryGetValue(reader.Number, out var own) ? own.At : null, [.. wall.Acts.Values.Where(act => Sight.Of(reader, act))], wall.Judgements.StateFor(judgement => Sight.Of(reader, judgement), person => Sight.OfJudge(reader, person)),
            wall.Visits.Trip, [.. wall.Visits.All.Values.Where(visit => Sight.Of(reader, visit))], wall.Placements.StateFor(place => Sight.Of(reader, place)), [.. wall.Links.All.Values.Where(link => Sight.Of(reader, link, wall))],
            reader.SeesAll ? [.. wall.Out?.People ?? []] : [], wall.Reading.For(list => Sight.Of(reader, list)), wall.Stances.StateFor(stance => Sight.Of(reader, stance)), wall.Starters.For(own => Sight.Of(reader, own)), [.. wall.Concerns.Open.Where(concern => Sight.Of(reader, concern))]),
        _ => throw new ArgumentException($"{room.GetType().Name} has no snapshot.", nameof(room)),
    };

    private static SheetsSnapshot Of(Sheets sheets, Actor reader) => new(
        sheets.Name,
        sheets.Directions,
        [.. sheets.AllPages.Where(page => Sight.Of(reader, page))],
        [.. sheets.Marks.Values.Where(mark => Sight.Of(reader, mark)).OrderBy(mark => mark.Id).Select(mark => Sight.AsSeen(reader, mark))],
        [.. sheets.Journal.Gestures.Select(g => new GestureSnapshot(g.Id, g.Actor, g.Undone, [.. g.Steps.Select(step => Sight.AsSeen(reader, g, step))]))],
        [.. sheets.Journal.Writers().Select(w => new LastWriter(w.Key.Target, w.Key.Property, w.Value))],
        sheets.Unit,
        sheets.Parts,
        sheets.Phases);

    // Which groups there were before is of use only to those who may bring them back; the highest number tells how many a client may name without knowing them.
    private static LessonSnapshot Of(Lesson lesson, Actor reader) => new(
        reader.IsStaff ? lesson.Door : Door.Open,
        lesson.PensDown,
        lesson.PensConfirmedOn,
        lesson.Closed,
        [.. lesson.People.Values.Where(person => Sight.Of(reader, person))],
        lesson.NamesMasked,
        lesson.SeesOtherBoards,
        lesson.SeesTeachersBoard,
        lesson.SeesOwnPast,
        lesson.TakesAlong,
        lesson.Grouping.Now,
        lesson.Grouping.Used,
        reader.IsStaff ? lesson.Grouping.Past : [],
        reader.IsStaff ? lesson.Grouping.Future : [],
        lesson.GroupingVersion,
        reader.IsStaff ? lesson.PlacesAsOf : 0,
        lesson.SeatsThrough,
        [.. lesson.LateChanges.Values.Where(change => Sight.Of(reader, change)).Select(change => Sight.AsSeen(reader, change))],
        lesson.Times,
        lesson.Waits,
        lesson.IsOverdue,
        reader.IsStaff ? [.. lesson.Waiting] : [],
        lesson.Parts,
        lesson.OpenParts,
        lesson.OpenedLast,
        lesson.OwnFirstIn,
        lesson.CheckInAt,
        reader.IsStaff ? lesson.Needs : NeedsSettings.Usual,
        reader.IsStaff ? [.. lesson.Answered.Values] : [],
        [.. lesson.Visits.Values.Where(visit => Sight.Of(reader, visit))],
        [.. lesson.Calls.All.Values.Where(call => Sight.Of(reader, call)).Select(call => reader.IsStaff ? call : call.AsTold(reader.Number))],
        [.. lesson.Questions.All.Values.Select(question => reader.IsStaff ? question : question.AsTold(reader.Number))],
        reader.IsStaff ? lesson.Phases.Now : lesson.Phases.Now?.AsTold(reader.Number),
        reader.IsStaff ? lesson.Phases.Before : [],
        reader.IsStaff ? lesson.Screen : OnScreen.Nothing,
        reader.IsStaff ? lesson.ScreenSetAt : 0,
        lesson.Showing.Snapshot(),
        reader.IsStaff ? lesson.Screening : WordScreening.Usual,
        reader.IsStaff ? [.. lesson.Approvals.Select(a => new ApprovalIn(a.Key, a.Value))] : [],
        reader.IsStaff ? lesson.HidesAfter : 0);
}
