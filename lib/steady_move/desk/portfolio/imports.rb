# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Names from what somebody pasted: shown before anything is kept, then kept at once, whatever
      # their number, and looked up; what a killed desk left is gone on with. An import can be
      # undone.
      #
      #   imports = Portfolio::Imports.new(desk)
      #   imports.preview(text, choices).counts
      #   id = imports.start(text, choices, by: person)
      #   imports.go_on(id) { |done| … }
      class Imports
        NEW = Core::Imports::NEW
        # So many rows a transaction: nobody waits for it longer than for a page.
        AT_ONCE = 200
        # So many of the new names are looked up at once; the watch has the others at its pace.
        LOOKED = 300

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # text: as it was pasted; choices: Core::Imports::Choices. Returns Core::Imports::Preview.
        def preview(text, choices)
          accounts = @ports.accounts.all
          titles = accounts.flat_map { |a| [a.title, a.registrar] }.uniq
          table = Core::Imports::Table.new(text, accounts: titles, as: choices.as)
          held = @ports.names.all_names
          taking = TakingIn.new(@ports)
          Core::Imports::Preview.new(table, choices, known: held.method(:include?)) do |typed|
            taking.name(typed)
          end
        end

        # The account that a registrar in a table is: by title, id or name; nil where none is.
        def account_like(text)
          accounts = @ports.accounts.all
          plain = text.to_s.strip
          accounts.find { |a| a.id == plain || a.title.casecmp?(plain) } ||
            accounts.find do |a|
              Core::Readiness::Registrars.any_same?(a.public_names, nil, { name: plain })
            end
        end

        # Keeps what is to be done. Returns the import's id; raises Refused where names would belong
        # to no account, or nothing can be taken.
        def start(text, choices, by:)
          seen = preview(text, choices)
          lines = seen.lines.select { |line| Core::Imports::Preview::TAKEN.include?(line.fate) }
          raise Refused.new(:invalid, :nothing_to_import) if lines.empty?

          @ports.db.transaction do
            made = []
            ids = accounts_for(seen.registrars.keys, choices, by, made)
            wishes = lines.map { |line| wish(line, ids.fetch(line.account, "")) }
            @ports.imports.add(at: @ports.now, by: by, accounts: made, wishes: wishes)
          end
        end

        # Ends what a killed desk has begun.
        def due? = @ports.imports.unfinished.any?
        def call = @ports.imports.unfinished.each { |id| go_on(id) }

        # Keeps and looks up what is left of an import; yields whenever it is further.
        def go_on(id, &)
          @ports
            .imports
            .alone(id) do
              import = @ports.imports.find(id)
              next @ports.imports.finish(id, at: @ports.now) if import.nil? # it came to nothing
              next if import.finished_at

              keep(import, &)
              look_up(import, &)
              @ports.imports.finish(id, at: @ports.now)
            end
        end

        private

        # registrars: as the table calls them. Returns {registrar => account's id}; made: ids of
        # those that are new.
        def accounts_for(registrars, choices, by, made)
          registrars.to_h do |given|
            chosen = given ? choices.accounts[given] || account_like(given)&.id : choices.account
            # a new one unless there is one by now
            chosen = account_like(given)&.id || account_made(given, by, made) if given &&
              chosen == NEW
            [given, held(chosen, given)]
          end
        end

        def held(account, given)
          return account if account && @ports.accounts.find(account)

          key = given ? :registrar_of_import : :account_of_import
          raise Refused.new(:invalid, key, given: given.to_s)
        end

        def account_made(title, by, made)
          fields = { "title" => title, "registrar" => title, "kind" => "by_hand" }
          made.push(Accounts::Endpoints.new(@ports).add_account(fields, by: by).id).last
        end

        def wish(line, account)
          Store::Imports::Wish.new(
            name: line.name.ascii,
            account: account,
            notes: line.notes.transform_values { |value| plain(value) },
            clears: line.clears
          )
        end

        # As Notes takes it.
        def plain(value)
          case value
          when Date
            value.iso8601
          when Core::Money::Amount
            value.to_s
          else
            value
          end
        end

        def keep(import)
          while (wishes = @ports.imports.waiting(import.id, AT_ONCE)).any?
            @ports.db.transaction do
              wishes.each { |wish| keep_one(import, wish) }
              tell(import) if @ports.imports.waiting(import.id, 1).empty?
            end
            yield if block_given?
          end
        end

        def keep_one(import, wish)
          values = wish.notes.merge(wish.clears.to_h { |key| [key, nil] })
          held = @ports.names.find(wish.name)
          before = noted(wish.name, values.keys) if held
          put(wish, import) unless held
          Notes.new(@ports).put_all(wish.name, values, by: import.by) if values.any?
          @ports.imports.kept(import.id, wish.place, before)
        end

        def put(wish, import)
          name = Core::Names::DomainName.held(wish.name)
          account = @ports.accounts.find(wish.account)
          TakingIn.new(@ports).keep(name, account, by: import.by, import: import.id)
        end

        # What was noted before, for whoever undoes it.
        def noted(name, keys)
          held = @ports.names.told(name, :hand)
          keys.to_h { |key| [key, held[key.to_sym]] }
        end

        def tell(import)
          far = @ports.imports.far(import.id)
          says =
            Words.phrase(
              "journal.names_imported",
              by: import.by,
              count: far.added,
              updated: far.updated
            )
          data = { "import" => import.id }
          @ports.journal.add(
            "names-imported",
            at: @ports.now,
            says: says,
            by: import.by,
            data: data
          )
        end

        def look_up(import)
          taking = TakingIn.new(@ports)
          while (place, name = @ports.imports.next_unlooked(import.id, LOOKED))
            row = @ports.names.find(name)
            account = row && @ports.accounts.find(row[:account_id])
            says = account && taking.look(Core::Names::DomainName.held(name), account)
            @ports.imports.looked(import.id, place, says)
            yield if block_given?
          end
        end
      end
    end
  end
end
