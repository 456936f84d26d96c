/*
 * Stands in the page's first bytes, as text. Until the page has woken up (its scripts are loaded and attached), a press
 * on a control that needs them would be lost: the last one is kept and done as soon as the control answers. Links and
 * buttons that send a form work without scripts and are left alone. An element that React has taken over carries a key
 * of its own; one that never gets it is pressed after five seconds all the same.
 */
export const earlyClick = `(function(){
var kept=null;
function awake(at){for(var key in at)if(key.indexOf('__reactFiber')===0)return true;return false}
function again(since){setTimeout(function(){
  if(!kept)return;
  if(!kept.at.isConnected){var now=document.elementFromPoint(kept.x,kept.y);kept.at=now&&now.closest(controls)||kept.at}
  if(!awake(kept.at)&&Date.now()-since<5000)return again(since);
  var at=kept.at;kept=null;setTimeout(function(){at.click()},30)
},30)}
var controls='button,[role=button],[role=tab],[role=switch],label,input[type=radio],input[type=checkbox]';
addEventListener('click',function(event){
  if(!event.isTrusted||performance.now()>30000)return;
  var at=event.target.closest&&event.target.closest(controls);
  if(!at||awake(at)||at.closest('a[href]')||(at.tagName==='BUTTON'&&at.type==='submit'&&at.form))return;
  event.preventDefault();event.stopImmediatePropagation();
  var first=!kept;kept={at:at,x:event.clientX,y:event.clientY};if(first)again(Date.now())
},true)})()`;
