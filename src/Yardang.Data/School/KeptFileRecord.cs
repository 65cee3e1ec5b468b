namespace Yardang.Data.School;

/// <summary>That a file was kept for a room, so that it counts there. The file itself is in the media store, once for all rooms.</summary>
public sealed class KeptFileRecord
{
    public required Guid RoomId { get; init; }

    /// <summary>Its name in the media store.</summary>
    public required string Name { get; init; }

    public required long Bytes { get; init; }

    public required DateTimeOffset KeptAt { get; init; }

    /// <summary>Whether it was found in what the room says; one that never is is removed in time.</summary>
    public bool IsShown { get; set; }
}
