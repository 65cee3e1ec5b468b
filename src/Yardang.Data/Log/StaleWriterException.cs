namespace Yardang.Data.Log;

/// <summary>Events were to be written that do not follow those in the log, or by a writer whose room has been opened anew since.</summary>
public sealed class StaleWriterException() : IOException("These events do not follow the log: the room was opened anew, or an earlier append failed.");
