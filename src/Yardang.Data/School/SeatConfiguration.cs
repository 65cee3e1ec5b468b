using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class SeatConfiguration : IEntityTypeConfiguration<SeatRecord>
{
    public void Configure(EntityTypeBuilder<SeatRecord> builder)
    {
        builder.ToTable("Seats");
        builder.HasKey(s => new { s.ParticipantId, s.BoardId });
    }
}
