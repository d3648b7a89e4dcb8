# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Names one by one: looked up, noted, judged.
      module Names
        extend Answers

        on "pickNames" do
          Desk::Portfolio::Picking.call(desk, given["text"]).to_h
        end

        on "pricesAhead" do
          rows =
            Desk::Planning::PriceComparison.new(desk).compare(
              asked[:name],
              privacy: asked[:privacy] == true
            ) or raise Desk::Refused.new(:unknown, :not_held, name: asked[:name])
          rates = desk.settings.rates
          {
            rates: rates && { to: rates.to, date: rates.date },
            rows: rows.map { |r| Views::MoveView.price_row(r) }
          }
        end

        HISTORY = 50
        # Messages that a sheet shows.
        MAIL = 8

        # A judged name and its sheet.
        module Helpers
          def judged(name)
            account!(asked[:to], "to") if asked[:to]
            found =
              Desk::Portfolio::Judging.new(desk).one(
                name,
                at: Contract.instant(asked[:at]) || now,
                to: asked[:to]
              )
            found or raise Desk::Refused.new(:unknown, :not_held, name: name)
          end

          def name_sheet(name, problems: [])
            found = judged(name)
            people = Desk::Moves::Contacts.new(desk)
            history = desk.journal.page(name: name, limit: HISTORY)
            sheet =
              Views::NameView.sheet(
                found,
                history,
                problems: problems,
                go: planning.going(found, to: asked[:to]),
                gate: Desk::Portfolio::Gates.new(desk, asked[:to]).of_judged(found),
                ahead: ahead(found),
                old_after: desk.facts_age
              )
            sheet.merge(
              contacts: Views::NameView.contacts(people.cards(found), people.choices(found)),
              carry_host: Desk::Portfolio::CarryHosts.chosen(desk, name, to: asked[:to])&.id,
              stray: stray_of(name),
              moves: moves_of(name),
              mail: mail_of(name),
              history_goes_on: history.size == HISTORY,
              obstacles: Desk::Moves::Obstacles.new(desk).list(name, to: asked[:to])
            )
          end

          def ahead(found)
            found.move ? in_short.under_way(found.move) : in_short.ahead(found, to: asked[:to])
          end

          def stray_of(name)
            known = Desk::Moves::UnrequestedTransfers.new(desk)
            stray = known.of_name(name)
            stray && Views::StrayView.row(stray, desk, known)
          end

          def moves_of(name)
            desk
              .moves
              .of_name(name)
              .map do |m|
                {
                  id: m.id,
                  stage: m.state.stage,
                  open: m.open,
                  **words_of(m).slice(:from, :to),
                  started_at: Views::Json.time(m.started_at),
                  result: in_short.result(m)
                }
              end
          end

          def mail_of(name)
            desk
              .messages
              .of_name(name, most: MAIL)
              .map do |m|
                {
                  id: m[:id],
                  subject: m[:subject].to_s,
                  at: Views::Json.seconds(m[:at]),
                  kind: Words.say(:"post.kinds.#{m[:kind]}"),
                  trust: m[:trust]
                }
              end
          end
        end

        on "noteKinds" do
          kinds =
            Desk::Portfolio::Notes::KINDS.map do |key, kind|
              choice = kind.is_a?(Array)
              {
                key: key,
                title: Words.say(:"notes.kinds.#{key}").sub(/\A\w/, &:upcase),
                kind: choice ? "choice" : kind,
                of: choice ? kind : []
              }
            end
          { kinds: kinds }
        end

        on "note" do
          Desk::Portfolio::Notes.new(desk).put(asked[:name], given["key"], given["value"], by: me)
          name_sheet(asked[:name])
        end

        on "comment" do
          Desk::Portfolio::Comments.new(desk).add(asked[:name], given["text"], by: me)
          name_sheet(asked[:name])
        end

        on "nameServerHints" do
          { hints: Desk::Records::HostQuestion.new(desk).hints(asked[:name]).map(&:to_h) }
        end

        on "answerNameServers" do
          Desk::Records::HostQuestion.new(desk).answer(asked[:name], ends: given["ends"], by: me)
          name_sheet(asked[:name])
        end

        on "letGo" do
          Desk::Portfolio::TakingIn.new(desk).let_go(asked[:name], by: me)
          { gone: asked[:name] }
        end

        # All that a sheet shows bumps the name's revision, or the places' stamp.
        on "name" do
          content_type :json
          key = [
            :sheet,
            *asked.values_at(:name, :to),
            asked[:at] || now.to_i,
            now.to_i,
            desk.names.marks
          ]
          application.lists.fetch(key) { JSON.generate(name_sheet(asked[:name])) }
        end

        on "lookUp" do
          found = judged(asked[:name])
          seen = Desk::Portfolio::Observe.new(desk).name(found.name, found.account)
          name_sheet(asked[:name], problems: seen.problems)
        end
      end
    end
  end
end
