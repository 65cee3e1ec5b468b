using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Drafts;

/// <summary>The program starts a draft with this content: blank, from a template or from an archive.</summary>
public sealed record StartDraft(ActivityContent Content) : Command;

/// <summary>The draft began with this content.</summary>
[Kind(3)]
public sealed record DraftStarted(ActivityContent Content) : RoomEvent;

/// <summary>The program puts an earlier version in place of what the draft says.</summary>
public sealed record ReplaceDraft(ActivityContent Content) : Command;

/// <summary>The draft says this now. What was done before cannot be undone one by one any more.</summary>
[Kind(4)]
public sealed record DraftReplaced(ActivityContent Content) : RoomEvent;

/// <summary>What a snapshot says of a draft.</summary>
[Kind((int)RoomKind.Draft)]
public sealed record DraftSnapshot(SheetsSnapshot Sheets) : RoomSnapshot;

/// <summary>The activity being edited in the workshop. Autosave, undo and history are those of every room.</summary>
public sealed class Draft : Room
{
    /// <inheritdoc/>
    public override RoomKind Kind => RoomKind.Draft;

    /// <inheritdoc/>
    public override int FirstClient => Ids.FirstDraftClient;

    /// <summary>The activity as it stands; one blank page until it was started.</summary>
    public Sheets Sheets { get; } = new(ActivityContent.Blank("en", ""));

    /// <summary>The activity as it stands, to be frozen into a version or written to an archive.</summary>
    /// <remarks>
    /// Pages of a part that was taken out stay in the room, so that it can come back; and where two have undone different things, a part may be left
    /// without pages: neither is part of the activity, and a phase opens no such part.
    /// </remarks>
    public ActivityContent Content()
    {
        ImmutableArray<Part> parts = [.. Sheets.Parts.Where(p => p.Kind != PartKind.Pages || Sheets.Pages.Any(page => page.OfPart == p.Number))];
        ImmutableArray<Page> pages = [.. Sheets.Pages.Where(page => parts.Any(p => p.Number == page.OfPart && p.Kind == PartKind.Pages))];
        ImmutableArray<PlannedPhase> phases = [.. Sheets.Phases.Select(phase => parts.Any(p => p.Number == phase.Part) ? phase : phase with { Part = 0 })];
        return new(Sheets.Name, Sheets.Directions, pages, [.. pages.SelectMany(p => Sheets.Visible(p.Id))], Sheets.Unit, parts is [var only] && only == Part.Pages ? null : parts, phases.IsEmpty ? null : phases);
    }

    /// <inheritdoc/>
    protected override Decision DecideCommand(Submission submission, Actor actor, Situation situation)
    {
        if (!actor.IsStaff) return Refusal.NotAllowed;
        if (submission.Command is StartDraft(var content))
        {
            return actor.Role != Role.Program || Number > 0 ? Refusal.NotAllowed : ContentRules.FaultIn(content) is null ? new DraftStarted(content) : Refusal.OutOfRange;
        }

        if (submission.Command is ReplaceDraft(var earlier))
        {
            return actor.Role != Role.Program ? Refusal.NotAllowed : ContentRules.FaultIn(earlier) is null ? new DraftReplaced(earlier) : Refusal.OutOfRange;
        }

        return Marking.Decide(Sheets, submission.Command, actor, submission.Client, design: true);
    }

    /// <inheritdoc/>
    protected override void RestoreState(RoomSnapshot snapshot) => Sheets.Restore(((DraftSnapshot)snapshot).Sheets);

    /// <inheritdoc/>
    protected override void ApplyEvent(Envelope envelope)
    {
        switch (envelope.Event)
        {
            case DraftStarted(var content):
                Sheets.Restore(content, content.Marks);
                break;
            case DraftReplaced(var content):
                Sheets.Restore(content, content.Marks);
                Sheets.Journal.Clear();
                break;
            default:
                Sheets.Apply(envelope.Event, envelope.Actor.Number, envelope.Gesture);
                break;
        }
    }
}
