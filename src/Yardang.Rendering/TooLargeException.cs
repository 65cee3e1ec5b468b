namespace Yardang.Rendering;

/// <summary>A file that is being made has grown over what one may be.</summary>
public sealed class TooLargeException(string message) : Exception(message);
