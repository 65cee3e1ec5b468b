using System.Collections.Immutable;
using Microsoft.AspNetCore.Identity;
using Yardang.Core.Lessons;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;

namespace Yardang.Data.School;

/// <summary>A teacher's account.</summary>
public sealed class Teacher : IdentityUser<Guid>
{
    public required string DisplayName { get; set; }

    /// <summary>Of somebody who began without an account: when all of it is deleted. Null for accounts that stay.</summary>
    public DateTimeOffset? EndsAt { get; set; }
}

/// <summary>An activity on a teacher's desk. What it says is in its draft room.</summary>
public sealed class ActivityRecord
{
    public required Guid Id { get; init; }

    public required Guid OwnerId { get; init; }

    /// <summary>The draft room.</summary>
    public required Guid DraftId { get; init; }

    public required DateTimeOffset CreatedAt { get; init; }

    /// <summary>When it was last opened in the workshop or handed out.</summary>
    public DateTimeOffset UsedAt { get; set; }

    /// <summary>Under which topic the teacher keeps it; empty for none.</summary>
    public string Topic { get; set; } = "";

    /// <summary>When it was put in the bin; null if it was not.</summary>
    public DateTimeOffset? BinnedAt { get; set; }

    /// <summary>Whether the teacher begins new activities with it.</summary>
    public bool IsTemplate { get; set; }

    /// <summary>Its name, a copy of what the draft says, for lists.</summary>
    public string Name { get; set; } = "";

    /// <summary>The same in every language in which it is named.</summary>
    public Texts Names { get; set; } = Texts.None;

    /// <summary>What it is called for whoever reads this language.</summary>
    public string NameIn(string language) => Names.In([language]) ?? Name;

    /// <summary>How many pages it has, for lists.</summary>
    public int Pages { get; set; }

    /// <summary>Everything written in it, for searching.</summary>
    public string Words { get; set; } = "";

    /// <summary>The event of the draft through which name, pages and words are up to date; 0 if they never were.</summary>
    public long IndexedThrough { get; set; }
}

/// <summary>What was frozen when an activity was handed out. Never changes.</summary>
public sealed class VersionRecord
{
    public required Guid Id { get; init; }

    public required Guid ActivityId { get; init; }

    /// <summary>SHA-256 of the content, hexadecimal.</summary>
    public required string Hash { get; init; }

    /// <summary>The activity as JSON.</summary>
    public required byte[] Content { get; init; }

    public required DateTimeOffset FrozenAt { get; init; }

    /// <summary>What the teacher calls it; empty if it was only handed out.</summary>
    public string Name { get; set; } = "";
}

/// <summary>A class list: who is in a class, by name or only by number.</summary>
public sealed class ClassListRecord
{
    public required Guid Id { get; init; }

    public required Guid OwnerId { get; init; }

    /// <summary>What the class is called.</summary>
    public required string Name { get; set; }

    public required DateTimeOffset ChangedAt { get; set; }

    /// <summary>Whether lessons call people by their first names only.</summary>
    public bool FirstNamesOnly { get; set; }

    /// <summary>Who is to stay together, in the teacher's lines.</summary>
    public string Together { get; set; } = "";

    /// <summary>Who is to be kept apart, in the teacher's lines.</summary>
    public string Apart { get; set; } = "";

    /// <summary>Who sits where, as text of a seating plan; empty for none.</summary>
    public string Seats { get; set; } = "";

    /// <summary>Groups planned for several lessons, as JSON: for each lesson its groups, of roster numbers. Empty for none.</summary>
    public string Plan { get; set; } = "";
}

/// <summary>Somebody on a class list.</summary>
public sealed class ClassEntryRecord
{
    public required Guid ListId { get; init; }

    /// <summary>The roster number.</summary>
    public required int Number { get; init; }

    /// <summary>The name; empty where only numbers are kept.</summary>
    public required string Name { get; set; }

    /// <summary>The hidden level, 0 for none.</summary>
    public int Level { get; set; }

    /// <summary>The language spoken at home; empty if it is not known.</summary>
    public string Language { get; set; } = "";
}

/// <summary>A lesson. What happened in it is in the lesson room of the same id.</summary>
public sealed class LessonRecord
{
    public required Guid Id { get; init; }

    public required Guid OwnerId { get; init; }

    public required Guid ActivityId { get; init; }

    public required Guid VersionId { get; init; }

    /// <summary>The join code, eight characters.</summary>
    public required JoinCode Code { get; init; }

    /// <summary>The activity's name when it was handed out, for lists.</summary>
    public required string Name { get; init; }

    /// <summary>The same in every language in which the activity was named.</summary>
    public Texts Names { get; init; } = Texts.None;

    /// <summary>The language of the teacher who handed it out, a BCP 47 tag: for whoever reads none of those in which a text is there.</summary>
    public string Language { get; init; } = "en";

    /// <summary>For whom, in the teacher's words ("7 Amber"); may be empty.</summary>
    public required string ClassName { get; init; }

    /// <summary>The activity and for whom it was handed out.</summary>
    public string Title => ClassName.Length == 0 ? Name : $"{Name} · {ClassName}";

    /// <summary>What it is called for whoever reads these languages, the first where it is there.</summary>
    public string NameIn(IEnumerable<string> languages) => Names.In(languages) ?? Name;

    public required DateTimeOffset HandedOutAt { get; init; }

    /// <summary>Its parts, in order. Which are open is a copy of what the room says, for access.</summary>
    public required ImmutableArray<LessonPart> Parts { get; set; }

    /// <summary>The part in which students begin now. A copy of what the room says.</summary>
    public required int CurrentPart { get; set; }

    /// <summary>Whether all work in one room in one of its parts.</summary>
    public bool HasTogether => Parts.Any(p => p.Way == Way.AllTogether);

    /// <summary>One of its parts; null if there is none with this number.</summary>
    public LessonPart? FindPart(int number) => Parts.FirstOrDefault(p => p.Number == number);

    /// <summary>Where a participant works in one of its parts.</summary>
    public RoomPlace PlaceOf(ParticipantRecord participant, LessonPart part) => Parts.PlaceIn(part, participant.Number, participant.GroupNumber);

    /// <summary>Whether students may look at the boards of others. A copy of what the room says, for access.</summary>
    public bool SeesOtherBoards { get; set; }

    /// <summary>Whether each thinks on their own: then nobody looks at the board of anybody else, shown or not. A copy of what the room says, for access.</summary>
    public bool Thinks { get; set; }

    /// <summary>Whether students may look at the teacher's own board. A copy of what the room says, for access.</summary>
    public bool SeesTeachersBoard { get; set; }

    /// <summary>Whether students may look at how their own board came to be. A copy of what the room says, for access.</summary>
    public bool SeesOwnPast { get; set; }

    /// <summary>Whether students may take their own work along. A copy of what the room says, for access.</summary>
    public bool TakesAlong { get; set; }

    /// <summary>The class list whose people were expected; null if there was none. The list may have changed or gone since.</summary>
    public Guid? ClassListId { get; init; }

    /// <summary>How newcomers say who they are.</summary>
    public Introduction Introduction { get; init; }

    /// <summary>Hash of the password that newcomers type besides the code; null if there is none.</summary>
    public string? PasswordHash { get; set; }

    /// <summary>An address of the teacher's own choice, in small letters; null for none.</summary>
    public LessonAddress? Address { get; set; }

    /// <summary>What stands in the address under which its common board is shown read-only elsewhere; null if it is not.</summary>
    public string? EmbedKey { get; set; }

    /// <summary>When it opens; null from the first. A copy of what the room says, for lists.</summary>
    public DateTimeOffset? OpensAt { get; set; }

    /// <summary>When the work is due; null if nothing is said. A copy of what the room says, for lists.</summary>
    public DateTimeOffset? DueAt { get; set; }

    /// <summary>When it closes by itself; null if it does not. A copy of what the room says, for lists.</summary>
    public DateTimeOffset? ClosesAt { get; set; }

    /// <summary>Whether it is not open yet. A copy of what the room says, for access.</summary>
    public bool Waits { get; set; }

    /// <summary>Whether the moment at which the work was due has been announced. A copy of what the room says.</summary>
    public bool IsOverdue { get; set; }

    /// <summary>When it was closed; null while it runs. A copy of what the room says, for lists.</summary>
    public DateTimeOffset? ClosedAt { get; set; }

    /// <summary>The day on which its owner wants it deleted, from its beginning; null for none.</summary>
    public DateTimeOffset? DeleteOn { get; set; }

    /// <summary>When its owner was told that it goes; null if not yet.</summary>
    public DateTimeOffset? ToldOfDeletingAt { get; set; }
}

/// <summary>A lesson that was deleted: that it was, and nothing of what was in it.</summary>
public sealed class DeletedLessonRecord
{
    /// <summary>That of the lesson.</summary>
    public required Guid Id { get; init; }

    public required Guid OwnerId { get; init; }

    public required DateTimeOffset DeletedAt { get; init; }

    public required WhyDeleted Why { get; init; }

    /// <summary>How many people were in it.</summary>
    public required int People { get; init; }

    /// <summary>How many boards and walls it had.</summary>
    public required int Rooms { get; init; }

    /// <summary>Until when its archive can be taken along; null if there is none any more.</summary>
    public DateTimeOffset? ArchivedUntil { get; set; }

    /// <summary>What it was called; empty once its archive is gone.</summary>
    public string Title { get; set; } = "";
}

/// <summary>Why a lesson was deleted. The numbers are stored.</summary>
public enum WhyDeleted
{
    /// <summary>Its owner did it.</summary>
    ByHand = 0,

    /// <summary>Its owner had chosen the day.</summary>
    Chosen = 1,

    /// <summary>The school keeps lessons no longer.</summary>
    School = 2,
}

/// <summary>What was handed out while a lesson ran. To whom, and who has it, is in the lesson room.</summary>
public sealed class LateChangeRecord
{
    public required Guid Id { get; init; }

    public required Guid LessonId { get; init; }

    /// <summary>What it is, in words: for the teacher's list.</summary>
    public required string Name { get; init; }

    /// <summary>The activity as it said then, as JSON; without pages for marks alone.</summary>
    public required byte[] Content { get; init; }

    /// <summary>The ids of the pages that were handed out, separated by blanks; empty for marks alone.</summary>
    public required string Pages { get; init; }
}

/// <summary>Somebody who helps in a lesson, or with an activity, that is another teacher's.</summary>
public sealed class CoTeacherRecord
{
    public required Guid Id { get; init; }

    /// <summary>The lesson or activity.</summary>
    public required Guid OfId { get; init; }

    /// <summary>To whom the invitation went.</summary>
    public required string Email { get; init; }

    /// <summary>The account of whoever opened the invitation; null until then. An address alone proves nothing: accounts are made without asking it.</summary>
    public Guid? TeacherId { get; set; }

    /// <summary>The actor number in the rooms of the lesson or activity: beyond those of participants.</summary>
    public required int Number { get; init; }

    public required CoTeacherRole Role { get; set; }

    public required DateTimeOffset InvitedAt { get; init; }
}

/// <summary>What a co-teacher may do.</summary>
public enum CoTeacherRole
{
    /// <summary>See everything, change nothing.</summary>
    Watches = 0,

    /// <summary>All that the owner may in the lesson or activity, but not invite others.</summary>
    Runs = 1,
}

/// <summary>A message that would have been sent: as long as no mail server is set up, it can be read on the outbox page.</summary>
public sealed class MailRecord
{
    public required Guid Id { get; init; }

    public required string To { get; init; }

    public required string Subject { get; init; }

    public required string Text { get; init; }

    /// <summary>An address on this server to go on with; empty for none.</summary>
    public required string Link { get; init; }

    public required DateTimeOffset At { get; init; }
}

/// <summary>A person in a lesson: the only place where a student's name is kept.</summary>
public sealed class ParticipantRecord
{
    public required Guid Id { get; init; }

    public required Guid LessonId { get; init; }

    /// <summary>The actor number in the lesson's rooms.</summary>
    public required int Number { get; init; }

    public required string Name { get; set; }

    /// <summary>The group in which they are; 0 for none. A copy of what the lesson's room says, for access.</summary>
    public int GroupNumber { get; set; }

    /// <summary>Whether they are in. A copy of what the lesson's room says, for access.</summary>
    public Standing Standing { get; set; }

    /// <summary>In which parts they show their work, where it is private until then. A copy of what the lesson's room says, for access.</summary>
    public IReadOnlyList<int> ShownIn { get; set; } = [];

    public required DateTimeOffset JoinedAt { get; set; }

    /// <summary>Their number on the class list, or the one with which they came in; null for those who have none.</summary>
    public int? ListNumber { get; init; }

    /// <summary>Their hidden level on the class list; 0 for none.</summary>
    public int Level { get; init; }

    /// <summary>The language spoken at home, from the class list; empty if it is not known.</summary>
    public string Language { get; init; } = "";

    /// <summary>How often they were given another key that brings them back on another device.</summary>
    public int KeyRound { get; set; }

    /// <summary>Whether what was kept of them was erased for good.</summary>
    public Erasing Erasing { get; set; }
}

/// <summary>How far the erasing of what is kept of somebody has come. The numbers are stored.</summary>
public enum Erasing
{
    /// <summary>Nobody has asked for it.</summary>
    No = 0,

    /// <summary>It has begun, and is ended also after a crash.</summary>
    UnderWay = 1,

    /// <summary>It is done.</summary>
    Done = 2,
}

/// <summary>A room: to what it belongs, and where it stands there. What happened in it is in its log.</summary>
public sealed class RoomRecord
{
    public required Guid Id { get; init; }

    public required RoomKind Kind { get; init; }

    /// <summary>The lesson; of a draft, the activity.</summary>
    public required Guid OfId { get; init; }

    /// <summary>Of which part of the activity it is, from 1; 0 of the lesson itself.</summary>
    public required int Part { get; init; }

    public required Whose Whose { get; init; }

    /// <summary>Of the participant or group whose it is; 0 otherwise.</summary>
    public required int Number { get; init; }

    /// <summary>Where it stands in its lesson.</summary>
    public RoomPlace Place => new(Part, Whose, Number);

    /// <summary>The room of a draft.</summary>
    public static RoomRecord OfDraft(ActivityRecord activity) =>
        new() { Id = activity.DraftId, Kind = RoomKind.Draft, OfId = activity.Id, Part = RoomPlace.FirstPart, Whose = Whose.Teacher, Number = 0 };

    /// <summary>The room of a lesson itself.</summary>
    public static RoomRecord OfLesson(LessonRecord lesson) =>
        new() { Id = lesson.Id, Kind = RoomKind.Lesson, OfId = lesson.Id, Part = 0, Whose = Whose.Together, Number = 0 };
}

/// <summary>What lists have to know of a board without loading it: a copy of what its log says, kept by a follower.</summary>
public sealed class BoardSummaryRecord
{
    public required Guid BoardId { get; init; }

    public required Guid LessonId { get; init; }

    /// <summary>The event of the board up to which it is right.</summary>
    public required long Through { get; set; }

    /// <summary>The summary, as JSON.</summary>
    public required string Json { get; set; }
}

/// <summary>A room to which nothing leads any more, and whose log is to be deleted.</summary>
public sealed class RoomRemovalRecord
{
    public required Guid Id { get; init; }
}

/// <summary>A participant works or once worked on a board, and may still have something to hand in there.</summary>
public sealed class SeatRecord
{
    public required Guid ParticipantId { get; init; }

    public required Guid BoardId { get; init; }
}
