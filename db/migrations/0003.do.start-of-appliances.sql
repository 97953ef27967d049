-- How long a load starts, and whether softly, came with version 3 of the job file: the firm's own entries get them too.
update appliance
   set document = jsonb_set(
         document, '{load}', '{"startSeconds": null, "softStart": false}'::jsonb || (document -> 'load'))
 where document ? 'load';
