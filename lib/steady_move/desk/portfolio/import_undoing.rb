# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # Takes an import back: names that it added go off the list, notes that it changed are as they
      # were, accounts that it made go where nothing is left in them. What has moved since stays.
      class ImportUndoing
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # id: of the import; by: who. Returns the names that stay, since they have moves. Raises
        # Refused.
        def call(id, by:)
          import = undoable(id)
          @ports.db.transaction do
            @ports.imports.undo(id, at: @ports.now, by: by)
            kept = take_off(@ports.imports.added(id), by)
            put_back(@ports.imports.before(id), by)
            import.accounts.each { |account| remove(account, by) }
            tell(import, kept, by)
            kept
          end
        end

        private

        def undoable(id)
          import = @ports.imports.find(id) or raise Refused.new(:unknown, :no_import, id: id)
          raise Refused.new(:not_now, :import_undone, by: import.undone_by) if import.undone_at
          raise Refused.new(:not_now, :import_at_work) unless import.finished_at

          import
        end

        def take_off(names, by)
          taking = TakingIn.new(@ports)
          names.select do |name|
            next false unless @ports.names.find(name)

            taking.let_go(name, by: by)
            false
          rescue Refused
            true
          end
        end

        # before: [[name, {key => note or nil}]].
        def put_back(before, by)
          before.each do |name, notes|
            next if notes.empty? || @ports.names.find(name).nil?

            Notes.new(@ports).put_back(name, notes, by: by)
          end
        end

        def remove(account, by)
          Accounts::Endpoints.new(@ports).remove_account(account, by: by)
        rescue Refused
          nil # something rests on it by now: it stays
        end

        def tell(import, kept, by)
          key = kept.empty? ? "journal.import_undone" : "journal.import_undone_but"
          more = kept.empty? ? {} : { count: kept.size, names: kept }
          says = Words.phrase(key, by: by, at: import.at, **more)
          @ports.journal.add("import-undone", at: @ports.now, says: says, by: by)
        end
      end
    end
  end
end
