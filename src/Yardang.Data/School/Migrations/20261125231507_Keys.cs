using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Yardang.Data.School.Migrations
{
    /// <inheritdoc />
    public partial class Keys : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "ReentryKeyHash",
                table: "Participants");

            migrationBuilder.AddColumn<int>(
                name: "KeyRound",
                table: "Participants",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "PasswordHash",
                table: "Lessons",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "KeyRound",
                table: "Participants");

            migrationBuilder.DropColumn(
                name: "PasswordHash",
                table: "Lessons");

            migrationBuilder.AddColumn<string>(
                name: "ReentryKeyHash",
                table: "Participants",
                type: "TEXT",
                nullable: true);
        }
    }
}
