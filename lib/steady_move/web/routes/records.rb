# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Names' records: getting zones, choosing where they go, the carry sheet, live checks, tied
      # services.
      module Records
        extend Answers

        # What every answer about one name shows.
        module Helpers
          def carrying = Desk::Records::ZoneMigration.new(desk)

          def records_of(name)
            desk.names.find(name) or raise Desk::Refused.new(:unknown, :not_held, name: name)
            sheet = carrying.sheet(name)
            host = carrying.new_host(name)
            v = Views::RecordsView
            {
              **Views::Json.name(name),
              copies: desk.zone_migrations.copies(name).map { |c| v.copy(c) },
              carry: carry_of(name),
              host: host && v.host(host),
              present: present_of(name),
              move: desk.moves.open_for(name)&.id,
              left_alone: carrying.left_alone?(name),
              rows: rows_of(name, sheet, host),
              **summed(sheet),
              asked_at: Views::Json.time(desk.zone_migrations.asked_at(name)),
              choices:
                Desk::Records::Choosing
                  .new(desk)
                  .choose(name, to: Desk::Accounts::Destinations.usual(desk))
                  .map { |c| v.choice(c) },
              tied: Desk::Records::TiedServices.new(desk).list(name).map { |t| v.tied(t) },
              answers: desk.zone_migrations.answers(name).last(400).map { |s| v.seen(s) }
            }
          end

          def summed(sheet)
            return { counts: {}, cautions: [] } if sheet.nil?

            { counts: sheet.counts, cautions: sheet.cautions.map { |c| Words.text(c) } }
          end

          def carry_of(name)
            carry = desk.zone_migrations.carry(name)
            carry && { host_id: carry.host_id, choice: carry.choice, lowered: carry.lowered }
          end

          def present_of(name)
            servers = desk.names.facts(name)[:name_servers].to_a
            host = desk.accounts.host_serving(servers)
            { name_servers: servers, host: host && Views::RecordsView.host(host) }
          end

          def rows_of(name, sheet, host)
            return [] unless sheet

            form =
              (
                if host && !host.connected?
                  Core::Records::FormFields.new(Core::Records::Name.parse(name), host.habits)
                end
              )
            limits = carrying.limits(host)
            sheet.rows.map { |r| Views::RecordsView.row(r, form, limits) }
          end
        end

        on "records" do
          names = asked[:names]&.split(",")&.first(500)
          {
            names:
              Desk::Records::RecordsList
                .new(desk)
                .call(names: names)
                .map { |l| Views::RecordsView.line(l) }
          }
        end

        on("recordsOf") { records_of(asked[:name]) }
        on("handoverOf") do
          {
            handover:
              Views::RecordsView.handover(Desk::Planning::HandoverOf.new(desk).call(asked[:name]))
          }
        end

        on "getZone" do
          Desk::Records::ZoneGetting.new(desk).call(
            asked[:name],
            source: given["source"],
            text: given["text"],
            keep: given["keep"] == true,
            more: given["more"].to_a,
            by: me
          )
          nudge
          records_of(asked[:name])
        end

        on "chooseCarry" do
          change = given.slice("host_id", "choice", "lowered").transform_keys(&:to_sym)
          carrying.choose(asked[:name], by: me, **change)
          records_of(asked[:name])
        end

        on "decideRecords" do
          carrying.refuse_unknown(asked[:name], given["sets"])
          given["sets"].each { |set| carrying.decide(asked[:name], set, given, by: me) }
          nudge
          records_of(asked[:name])
        end

        on "fillHost" do
          carrying.fill(asked[:name], by: me)
          nudge
          records_of(asked[:name])
        end

        on "lookAtServers" do
          Desk::Records::LiveCheck.new(desk).call(asked[:name], by: me)
          nudge
          records_of(asked[:name])
        end

        on "settleTied" do
          Desk::Records::TiedServices.new(desk).settle(
            asked[:name],
            given["key"],
            state: given["state"],
            reason: given["reason"],
            by: me
          )
          records_of(asked[:name])
        end

        on "zoneFile" do
          sheet = carrying.sheet(asked[:name]) or
            raise Desk::Refused.new(:not_now, :no_zone_copy, name: asked[:name])
          zone =
            (
              if asked[:side] == "wanted"
                sheet.wanted
              else
                desk.zone_migrations.copy_of(asked[:name]).zone
              end
            )
          content_type "text/plain", charset: "utf-8"
          attachment "#{asked[:name]}.zone"
          "$ORIGIN #{asked[:name]}.\n#{Core::Records::ZoneWriter.write(zone)}"
        end

        # Nothing begins by it; where it can't be, it is refused as the start would be.
        on "planHandover" do
          alone = Desk::Planning::DnsAlone.new(desk)
          plan, zone = alone.plan(asked[:name], host: given["host"], lower: given["lower"])
          words = Desk::Common::MoveWords.values(plan, desk.accounts)
          stays_up = Desk::Planning::InShort.new(desk).uptime(plan)
          range = desk.forecasts.of_plan(plan)
          Views::MoveView.handover(plan, zone, words, now, range).merge(
            uptime: Views::MoveView.uptime(stays_up)
          )
        end

        on "moveDns" do
          fates =
            Desk::Planning::DnsAlone.new(desk).start_all(
              given["names"],
              host: given["host"],
              lower: given["lower"],
              by: me
            )
          nudge
          { fates: fates.map(&:to_h) }
        end

        on "tellServers" do
          Desk::Planning::PendingHost.told(desk, asked[:id], given["servers"], by: me)
          nudge
          { id: asked[:id] }
        end

        # What the mails of the destination's side name as name servers.
        on "serversInMail" do
          { servers: Desk::Planning::PendingHost.in_mail(desk, asked[:id]) }
        end
      end
    end
  end
end
